package lochan.web.weather;

import java.io.IOException;
import java.net.InetAddress;
import java.net.SocketTimeoutException;
import java.net.URI;
import java.net.UnknownHostException;
import java.net.http.HttpTimeoutException;
import java.time.Duration;
import java.util.Arrays;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Predicate;
import lochan.instruments.weather.WeatherReading;
import org.apache.hc.client5.http.DnsResolver;
import org.apache.hc.client5.http.classic.methods.HttpGet;
import org.apache.hc.client5.http.config.ConnectionConfig;
import org.apache.hc.client5.http.impl.classic.CloseableHttpClient;
import org.apache.hc.client5.http.impl.classic.HttpClients;
import org.apache.hc.client5.http.impl.io.PoolingHttpClientConnectionManagerBuilder;
import org.apache.hc.client5.http.routing.RoutingSupport;
import org.apache.hc.core5.http.ClassicHttpResponse;
import org.apache.hc.core5.http.HttpException;
import org.apache.hc.core5.util.Timeout;

/**
 * Asks one address outside the own network for weather. What a host's name leads to is judged where the connection is made, so a name
 * that is answered differently a moment later leads nowhere else. No redirects; one deadline for the whole answer.
 */
final class WeatherClient implements AutoCloseable {

    private static final Timeout CONNECT = Timeout.ofSeconds(5);

    private final Duration deadline;
    private final ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor();
    private final CloseableHttpClient client;

    /**
     * @param names       gives the addresses of a host
     * @param allowInside hosts that may lie inside
     * @param deadline    for a whole answer
     */
    WeatherClient(DnsResolver names, Predicate<String> allowInside, Duration deadline) {
        this.deadline = deadline;
        this.client = HttpClients.custom()
                .setConnectionManager(PoolingHttpClientConnectionManagerBuilder.create()
                        .setDnsResolver(new OutsideNames(names, allowInside))
                        .setDefaultConnectionConfig(ConnectionConfig.custom()
                                .setConnectTimeout(CONNECT)
                                .setSocketTimeout(Timeout.of(deadline))
                                .build())
                        .build())
                .setUserAgent("Lochan")
                .disableRedirectHandling()
                .disableAutomaticRetries()
                .disableContentCompression()
                .disableCookieManagement()
                .disableAuthCaching()
                .build();
    }

    private record OutsideNames(DnsResolver names, Predicate<String> allowInside) implements DnsResolver {

        @Override
        public InetAddress[] resolve(String host) throws UnknownHostException {
            InetAddress[] addresses = names.resolve(host);
            if (!allowInside.test(host)) {
                OutsideAddress.check(host, Arrays.asList(addresses));
            }
            return addresses;
        }

        @Override
        public String resolveCanonicalHostname(String host) {
            return host;
        }
    }

    /**
     * Gives an answer, one byte more than may be read of one that is longer.
     *
     * @throws OutsideAddress.RefusedException when the host lies inside
     * @throws HttpTimeoutException            when the answer did not end in time
     * @throws IOException                     when there is none, or not 200
     */
    byte[] get(URI address) throws IOException, InterruptedException {
        HttpGet request = new HttpGet(address);
        request.setHeader("Accept", "application/geo+json, application/json, text/csv");
        Future<byte[]> answer = threads.submit(() -> answer(request));
        try {
            return answer.get(deadline.toMillis(), TimeUnit.MILLISECONDS);
        } catch (TimeoutException e) {
            throw new HttpTimeoutException("the answer did not end");
        } catch (ExecutionException e) {
            throw switch (e.getCause()) {
                case SocketTimeoutException t -> new HttpTimeoutException("the answer did not come");
                case IOException io -> io;
                case null, default -> new IOException("the connection ended", e.getCause());
            };
        } finally {
            // Closed as it is: to close it in good order would be to read it to its end, which it may not have.
            request.abort();
        }
    }

    private byte[] answer(HttpGet request) throws IOException, HttpException {
        ClassicHttpResponse response = client.executeOpen(RoutingSupport.determineHost(request), request, null);
        if (response.getCode() != 200) {
            throw new IOException("it answered " + response.getCode());
        }
        return response.getEntity().getContent().readNBytes(WeatherReading.MOST_BYTES + 1);
    }

    @Override
    public void close() throws IOException {
        threads.shutdownNow();
        client.close();
    }
}
