package lochan.web.testing;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;

/** A browser without scripts: keeps its cookies, follows redirects, sends the token of the page it read last. */
public final class Visitor {

    private static final Duration PATIENCE = Duration.ofSeconds(60);

    private final URI address;
    private final HttpClient client = HttpClient.newBuilder()
            .cookieHandler(new CookieManager())
            .followRedirects(HttpClient.Redirect.NORMAL)
            .build();
    private String token = "";

    /** @param address of a running application */
    public Visitor(URI address) {
        this.address = address;
    }

    /**
     * What came back.
     *
     * @param path where it came from in the end
     */
    public record Answer(int status, String path, String body, Map<String, List<String>> headers) {

        public Document page() {
            return Jsoup.parse(body);
        }

        /** The text of what a selector finds, in order. */
        public List<String> texts(String selector) {
            return page().select(selector).eachText();
        }

        public String text() {
            return page().text();
        }

        /** Value of a form's field. */
        public String value(String name) {
            Element field = page().selectFirst("[name=\"" + name
                    + "\"]:not([type=radio]):not([type=checkbox]), [name=\"" + name + "\"][checked]");
            if (field == null) {
                return null;
            }
            Element chosen = field.tagName().equals("select") ? field.selectFirst("option[selected]") : field;
            return chosen == null ? "" : chosen.attr("value");
        }

        /** All fields of the form that a selector finds, as they stand. */
        public Map<String, String> form(String selector) {
            Map<String, String> fields = new LinkedHashMap<>();
            ((org.jsoup.nodes.FormElement) page().selectFirst(selector))
                    .formData()
                    .forEach(f -> fields.put(f.key(), f.value()));
            page().select(selector + " input[type=radio][checked][value='']")
                    .forEach(r -> fields.put(r.attr("name"), ""));
            return fields;
        }

        public String header(String name) {
            return headers.getOrDefault(name.toLowerCase(java.util.Locale.ROOT), List.of()).stream()
                    .findFirst()
                    .orElse(null);
        }

        /** Number behind a part of the path, as the event's in {@code /events/7/rules}. */
        public long numberAfter(String part) {
            return Long.parseLong(path.replaceAll(".*/" + part + "/(\\d+).*", "$1"));
        }
    }

    public Answer get(String path) {
        Answer answer = send(HttpRequest.newBuilder(address.resolve(path)).GET());
        Element field = answer.page().selectFirst("input[name=_csrf]");
        token = field == null ? token : field.attr("value");
        return answer;
    }

    /** Returns the text of a stream until it ends. */
    public java.util.concurrent.CompletableFuture<String> open(String path) {
        return client.sendAsync(
                        HttpRequest.newBuilder(address.resolve(path)).GET().build(), BodyHandlers.ofString())
                .thenApply(HttpResponse::body);
    }

    /** A file as it is. */
    public byte[] bytes(String path) {
        try {
            return client.send(
                            HttpRequest.newBuilder(address.resolve(path)).GET().build(), BodyHandlers.ofByteArray())
                    .body();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** Posts a form: names and values by turns. Empty names are left out. */
    public Answer post(String path, String... fields) {
        Map<String, String> form = new LinkedHashMap<>();
        for (int i = 0; i < fields.length; i += 2) {
            form.put(fields[i], fields[i + 1]);
        }
        return post(path, form);
    }

    public Answer post(String path, Map<String, String> fields) {
        if (token.isEmpty()) {
            get("/sign-in");
        }
        Answer answer = postAsIs(path, fields, token);
        if (answer.status() == 403) {
            get("/settings");
            answer = postAsIs(path, fields, token);
        }
        Element field = answer.page().selectFirst("input[name=_csrf]");
        token = field == null ? token : field.attr("value");
        return answer;
    }

    /** Posts with a token of the caller's. */
    public Answer postAsIs(String path, Map<String, String> fields, String csrf) {
        List<String> pairs = new ArrayList<>(List.of("_csrf=" + encoded(csrf)));
        fields.forEach((k, v) -> pairs.add(encoded(k) + "=" + encoded(v)));
        return send(HttpRequest.newBuilder(address.resolve(path))
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(BodyPublishers.ofString(String.join("&", pairs))));
    }

    /** Posts as a page's script does. */
    public Answer postJson(String path, String body) {
        return send(HttpRequest.newBuilder(address.resolve(path))
                .timeout(PATIENCE)
                .header("Content-Type", "application/json")
                .header("X-CSRF-TOKEN", token)
                .POST(BodyPublishers.ofString(body)));
    }

    /** Sends a file as a form of several parts. */
    public Answer upload(String path, String field, String fileName, byte[] content) {
        String boundary = "----lochan-test";
        String head = "--" + boundary + "\r\nContent-Disposition: form-data; name=\"_csrf\"\r\n\r\n" + token + "\r\n--"
                + boundary + "\r\nContent-Disposition: form-data; name=\"" + field + "\"; filename=\"" + fileName
                + "\"\r\nContent-Type: application/json\r\n\r\n";
        return send(HttpRequest.newBuilder(address.resolve(path))
                .header("Content-Type", "multipart/form-data; boundary=" + boundary)
                .POST(BodyPublishers.ofByteArrays(List.of(
                        head.getBytes(StandardCharsets.UTF_8),
                        content,
                        ("\r\n--" + boundary + "--\r\n").getBytes(StandardCharsets.UTF_8)))));
    }

    private Answer send(HttpRequest.Builder request) {
        try {
            HttpResponse<String> response = client.send(request.build(), BodyHandlers.ofString());
            String query = response.uri().getQuery() == null
                    ? ""
                    : "?" + response.uri().getRawQuery();
            return new Answer(
                    response.statusCode(),
                    response.uri().getPath() + query,
                    response.body(),
                    response.headers().map());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }
}
