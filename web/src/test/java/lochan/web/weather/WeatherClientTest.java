package lochan.web.weather;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.net.http.HttpTimeoutException;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import lochan.instruments.weather.WeatherReading;
import org.apache.hc.client5.http.impl.InMemoryDnsResolver;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Services that lie, and a name that leads elsewhere when it is asked again. */
class WeatherClientTest {

    private static final Duration LONG = Duration.ofSeconds(30);

    private final List<String> asked = new CopyOnWriteArrayList<>();
    private final InMemoryDnsResolver names = new InMemoryDnsResolver();
    private final ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor();
    private HttpServer server;

    @BeforeEach
    void start() throws IOException {
        server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        server.setExecutor(threads);
        server.createContext("/", this::answer);
        server.start();
        names.add("sky.example", InetAddress.getLoopbackAddress());
    }

    @AfterEach
    void stop() {
        server.stop(0);
        threads.shutdownNow();
    }

    private void answer(HttpExchange exchange) throws IOException {
        String path = exchange.getRequestURI().getPath();
        asked.add(path);
        exchange.getResponseHeaders().add("Location", "/elsewhere");
        exchange.sendResponseHeaders(path.equals("/moved") ? 302 : 200, 0);
        byte[] some = new byte[path.equals("/stutters") ? 1 : 100_000];
        try (exchange) {
            while (!path.equals("/short")) {
                exchange.getResponseBody().write(some);
                exchange.getResponseBody().flush();
            }
        }
    }

    private URI at(String path) {
        return URI.create("http://sky.example:" + server.getAddress().getPort() + path);
    }

    private WeatherClient client(boolean inside, Duration deadline) {
        return new WeatherClient(names, host -> inside, deadline);
    }

    @Test
    void aNameThatLeadsInsideIsNotFollowed() throws Exception {
        try (WeatherClient client = client(true, LONG)) {
            assertThat(client.get(at("/short"))).isEmpty();
        }
        try (WeatherClient client = client(false, LONG)) {
            assertThatThrownBy(() -> client.get(at("/short")))
                    .isInstanceOf(OutsideAddress.RefusedException.class)
                    .hasMessageContaining("“sky.example” is inside");
        }
        assertThat(asked).as("once, where it is allowed").hasSize(1);
    }

    @Test
    void noRedirectIsFollowed() throws Exception {
        try (WeatherClient client = client(true, LONG)) {
            assertThatThrownBy(() -> client.get(at("/moved"))).hasMessage("it answered 302");
        }
        assertThat(asked).containsExactly("/moved");
    }

    @Test
    void anAnswerWithoutEndIsReadToTheBoundAndASlowOneToTheDeadline() throws Exception {
        try (WeatherClient client = client(true, LONG)) {
            assertThat(client.get(at("/endless"))).hasSize(WeatherReading.MOST_BYTES + 1);
        }
        try (WeatherClient client = client(true, Duration.ofMillis(300))) {
            assertThatThrownBy(() -> client.get(at("/stutters"))).isInstanceOf(HttpTimeoutException.class);
        }
    }
}
