package lochan.web;

import java.io.OutputStream;
import java.io.PrintStream;
import java.io.UncheckedIOException;
import java.lang.reflect.Method;
import java.net.URI;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import lochan.store.PrivateMariaDb;
import lochan.web.testing.PreparedData;
import lochan.web.testing.RunningApp;
import org.junit.jupiter.api.extension.ConditionEvaluationResult;
import org.junit.jupiter.api.extension.ExecutionCondition;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;
import org.springframework.context.ConfigurableApplicationContext;

/**
 * Gives tests the real application on a free port beside a private MariaDB of its own, started when first asked for and stopped after
 * the last test. A class takes the demo by asking for a {@link RunningApp} annotated with {@link RunningApp.Demo}.
 */
public final class TestServers implements ParameterResolver, ExecutionCondition {

    private static final ExtensionContext.Namespace SPACE = ExtensionContext.Namespace.create(TestServers.class);

    /** The demo takes long to load and to compute: what needs it is no part of the short form. */
    @Override
    public ConditionEvaluationResult evaluateExecutionCondition(ExtensionContext extension) {
        boolean demo = extension.getTestMethod().map(Method::getParameters).stream()
                .flatMap(Arrays::stream)
                .anyMatch(p -> p.isAnnotationPresent(RunningApp.Demo.class));
        return demo && Boolean.getBoolean("lochan.fast")
                ? ConditionEvaluationResult.disabled("needs the demo")
                : ConditionEvaluationResult.enabled("part of this form");
    }

    @Override
    public boolean supportsParameter(ParameterContext parameter, ExtensionContext extension) {
        return parameter.getParameter().getType() == RunningApp.class;
    }

    @Override
    public Object resolveParameter(ParameterContext parameter, ExtensionContext extension) {
        boolean demo = parameter.isAnnotated(RunningApp.Demo.class);
        return extension
                .getRoot()
                .getStore(SPACE)
                .getOrComputeIfAbsent(
                        demo, d -> new Started(start(d, "127.0.0.1", OutputStream.nullOutputStream())), Started.class)
                .app();
    }

    /** Stops with the last test. */
    private record Started(RunningApp app) implements AutoCloseable {

        @Override
        public void close() {
            app.close();
        }
    }

    /** An application that goes away and comes back at the same address, its database living on. */
    public static final class ComingAndGoing implements AutoCloseable {

        private final Path home;
        private final PrivateMariaDb db;
        private final int port;
        private ConfigurableApplicationContext context;

        public ComingAndGoing() throws java.io.IOException {
            home = PreparedData.home();
            db = PrivateMariaDb.start(home, false);
            try (java.net.ServerSocket free = new java.net.ServerSocket(0)) {
                port = free.getLocalPort();
            }
            comeBack();
        }

        public void comeBack() {
            Map<String, String> environment = Map.of(
                    "LOCHAN_PORT", Integer.toString(port), "LOCHAN_HOME", home.toString(), "LOCHAN_BIND", "127.0.0.1");
            context = Server.run(
                    Server.Wishes.of(false, environment),
                    db.url(),
                    db.user(),
                    db.password(),
                    new PrintStream(OutputStream.nullOutputStream(), true));
        }

        public void go() {
            context.close();
        }

        public RunningApp app() {
            return new RunningApp(URI.create("http://127.0.0.1:" + port), context, () -> {});
        }

        @Override
        public void close() {
            context.close();
            db.close();
            PreparedData.delete(home);
        }
    }

    /** Starts an application of its own, to be closed by the caller. */
    public static RunningApp start(boolean demo, String bind, OutputStream out) {
        return start(demo, Map.of("LOCHAN_BIND", bind), out);
    }

    public static RunningApp start(boolean demo, Map<String, String> wishes, OutputStream out) {
        try {
            Path home = PreparedData.home();
            PrivateMariaDb db = PrivateMariaDb.start(home, false);
            Map<String, String> environment = new HashMap<>(
                    Map.of("LOCHAN_PORT", "0", "LOCHAN_HOME", home.toString(), "LOCHAN_BIND", "127.0.0.1"));
            environment.putAll(wishes);
            ConfigurableApplicationContext context = Server.run(
                    Server.Wishes.of(demo, environment),
                    db.url(),
                    db.user(),
                    db.password(),
                    new PrintStream(out, true));
            URI address = URI.create((wishes.containsKey("LOCHAN_TLS") ? "https" : "http") + "://127.0.0.1:"
                    + context.getEnvironment().getProperty("local.server.port"));
            return new RunningApp(address, context, () -> {
                context.close();
                db.close();
                PreparedData.delete(home);
            });
        } catch (java.io.IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
