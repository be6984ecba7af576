package lochan.instruments.standin;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import lochan.core.practice.Sky;
import lochan.core.quantity.DirectionText;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * A weather service on loopback that answers made-up hours as public services do: {@code /periods}, {@code /series} and {@code /columns}, each with
 * {@code from} (a time; default now), {@code hours} (default 72), {@code seed} and {@code fault}: {@code missing} leaves fields out, {@code absurd} sends
 * values that cannot be, {@code renamed} calls them otherwise, {@code broken} ends in the middle, {@code down} answers 503.
 */
public final class WeatherService implements AutoCloseable {

    private static final double MPH_PER_MPS = 1 / 0.44704;
    private static final int MOST_HOURS = 400;
    private static final int USUAL_HOURS = 72;
    private static final String ABSURD = "9999";

    private final HttpServer server;
    private final ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor();
    private final Clock clock;

    /** @param port 0: any that is free */
    public WeatherService(int port, Clock clock) throws IOException {
        this.clock = clock;
        server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 0);
        server.setExecutor(threads);
        server.createContext("/", this::answer);
        server.start();
    }

    public int port() {
        return server.getAddress().getPort();
    }

    /** Where it answers. */
    public String address() {
        return "http://127.0.0.1:" + port();
    }

    @Override
    public void close() {
        server.stop(0);
        threads.close();
    }

    private void answer(HttpExchange exchange) throws IOException {
        try (exchange) {
            Map<String, String> asked = asked(exchange.getRequestURI().getQuery());
            String fault = asked.getOrDefault("fault", "");
            List<MadeUpWeather.Hour> hours;
            try {
                hours = new MadeUpWeather(Long.parseLong(asked.getOrDefault("seed", "1")))
                        .hours(
                                asked.containsKey("from") ? Instant.parse(asked.get("from")) : clock.instant(),
                                Math.clamp(
                                        Integer.parseInt(asked.getOrDefault("hours", "" + USUAL_HOURS)),
                                        1,
                                        MOST_HOURS));
            } catch (DateTimeException | NumberFormatException e) {
                send(exchange, 400, "a parameter cannot be read: " + e.getMessage());
                return;
            }
            ObjectNode node =
                    switch (exchange.getRequestURI().getPath()) {
                        case "/periods" -> periods(hours, fault);
                        case "/series" -> series(hours, fault);
                        case "/columns" -> columns(hours, fault);
                        default -> null;
                    };
            if (node == null) {
                send(exchange, 404, "expected /periods, /series or /columns");
            } else if (fault.equals("down")) {
                send(exchange, 503, "down");
            } else {
                String text = node.toString();
                send(exchange, 200, fault.equals("broken") ? text.substring(0, text.length() / 2) : text);
            }
        }
    }

    private static void send(HttpExchange exchange, int status, String text) throws IOException {
        byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
        exchange.getResponseHeaders().set("Content-Type", status == 200 ? "application/geo+json" : "text/plain");
        exchange.sendResponseHeaders(status, bytes.length);
        try (OutputStream out = exchange.getResponseBody()) {
            out.write(bytes);
        }
    }

    private static Map<String, String> asked(String query) {
        Map<String, String> asked = new HashMap<>();
        for (String part : query == null ? new String[0] : query.split("&")) {
            int is = part.indexOf('=');
            if (is > 0) {
                asked.put(part.substring(0, is), part.substring(is + 1));
            }
        }
        return asked;
    }

    private static ObjectNode periods(List<MadeUpWeather.Hour> hours, String fault) {
        ObjectNode root = JsonNodeFactory.instance.objectNode().put("type", "Feature");
        ArrayNode list = root.putObject("properties").putArray("periods");
        for (MadeUpWeather.Hour h : hours) {
            ObjectNode one = list.addObject()
                    .put("startTime", h.from().toString())
                    .put("endTime", h.to().toString())
                    .put("temperature", Math.round(h.airTempC() * 1.8 + 32))
                    .put("temperatureUnit", "F");
            one.put(
                    fault.equals("renamed") ? "wind" : "windSpeed",
                    fault.equals("absurd") ? ABSURD + " mph" : Math.round(h.windMps() * MPH_PER_MPS) + " mph");
            if (!fault.equals("missing")) {
                one.put(
                        "windDirection",
                        fault.equals("absurd") ? "sideways" : DirectionText.words(Double.valueOf(h.windFromDeg())));
            }
            one.put("windGust", Math.round(h.gustMps() * MPH_PER_MPS) + " mph");
            one.putObject("probabilityOfThunder")
                    .put("unitCode", "wmoUnit:percent")
                    .put("value", Math.round(100 * h.thunderChance()));
            one.put("shortForecast", words(h));
        }
        return root;
    }

    private static String words(MadeUpWeather.Hour h) {
        if (h.lightning()) {
            return "Showers And Thunderstorms Likely";
        }
        return switch (h.sky()) {
            case CLEAR -> "Sunny";
            case PARTLY -> "Partly Sunny";
            case CLOUDY -> "Mostly Cloudy";
            case RAIN -> "Rain Showers";
        };
    }

    private static ObjectNode series(List<MadeUpWeather.Hour> hours, String fault) {
        ObjectNode root = JsonNodeFactory.instance.objectNode().put("type", "Feature");
        ObjectNode properties = root.putObject("properties");
        properties
                .putObject("meta")
                .putObject("units")
                .put("wind_speed", "m/s")
                .put("air_temperature", "celsius")
                .put("air_pressure_at_sea_level", "hPa")
                .put("cloud_area_fraction", "%")
                .put("precipitation_amount", "mm")
                .put("probability_of_thunder", "%");
        ArrayNode list = properties.putArray("timeseries");
        for (MadeUpWeather.Hour h : hours) {
            ObjectNode data = list.addObject().put("time", h.from().toString()).putObject("data");
            ObjectNode now = data.putObject("instant").putObject("details");
            now.put(fault.equals("renamed") ? "speed" : "wind_speed", fault.equals("absurd") ? 400 : h.windMps())
                    .put("wind_speed_of_gust", h.gustMps())
                    .put("wind_from_direction", h.windFromDeg())
                    .put("air_temperature", h.airTempC())
                    .put("cloud_area_fraction", cloud(h.sky()));
            if (!fault.equals("missing")) {
                now.put("air_pressure_at_sea_level", h.pressureHpa());
            }
            ObjectNode next = data.putObject("next_1_hours");
            next.putObject("details")
                    .put("precipitation_amount", h.rainMm())
                    .put("probability_of_thunder", 100 * h.thunderChance());
        }
        return root;
    }

    private static double cloud(Sky sky) {
        return switch (sky) {
            case CLEAR -> 10;
            case PARTLY -> 50;
            case CLOUDY, RAIN -> 95;
        };
    }

    private static ObjectNode columns(List<MadeUpWeather.Hour> hours, String fault) {
        ObjectNode root = JsonNodeFactory.instance.objectNode().put("utc_offset_seconds", 0);
        root.putObject("hourly_units")
                .put("wind_speed_10m", "mp/h")
                .put("wind_gusts_10m", "mp/h")
                .put("temperature_2m", "°F")
                .put("precipitation", "mm")
                .put("pressure_msl", "hPa");
        ObjectNode hourly = root.putObject("hourly");
        ArrayNode time = hourly.putArray("time");
        ArrayNode wind = hourly.putArray(fault.equals("renamed") ? "wind" : "wind_speed_10m");
        ArrayNode gust = hourly.putArray("wind_gusts_10m");
        ArrayNode from = hourly.putArray("wind_direction_10m");
        ArrayNode air = hourly.putArray("temperature_2m");
        ArrayNode rain = hourly.putArray("precipitation");
        ArrayNode pressure = hourly.putArray("pressure_msl");
        ArrayNode code = hourly.putArray("weather_code");
        for (MadeUpWeather.Hour h : hours) {
            time.add(h.from().toString().replaceFirst(":00Z$", ""));
            wind.add(fault.equals("absurd") ? -5 : h.windMps() * MPH_PER_MPS);
            gust.add(h.gustMps() * MPH_PER_MPS);
            from.add(h.windFromDeg());
            air.add(h.airTempC() * 1.8 + 32);
            rain.add(h.rainMm());
            if (fault.equals("missing")) {
                pressure.addNull();
            } else {
                pressure.add(h.pressureHpa());
            }
            code.add(h.lightning() ? 95 : h.sky() == Sky.RAIN ? 61 : h.sky().ordinal());
        }
        return root;
    }
}
