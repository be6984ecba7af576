package lochan.cli;

import java.io.InputStream;
import java.io.PrintStream;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import lochan.core.Intake;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;

/** Computation on event files: JSON on standard output, messages on standard error; exit 0, or 2 with one line for a bad file or option. */
public final class Main {

    /** Prints an error, which may quote a file. */
    private static final int LONGEST_MESSAGE = 1000;

    private static final int BAD_INPUT = 2;

    private Main() {}

    public static void main(String[] arguments) {
        System.exit(run(System.in, System.out, System.err, arguments));
    }

    /**
     * Carries a command out.
     *
     * @param in what {@code advise --stream} reads
     * @return the exit code
     */
    static int run(InputStream in, PrintStream out, PrintStream err, String... arguments) {
        return new CommandLine(new Commands(in, out))
                .setOut(new PrintWriter(out, true, StandardCharsets.UTF_8))
                .setErr(new PrintWriter(err, true, StandardCharsets.UTF_8))
                .setParameterExceptionHandler((e, given) -> told(err, e.getMessage()))
                .setExecutionExceptionHandler((e, line, result) -> {
                    if (e instanceof UsageException) {
                        return told(err, e.getMessage());
                    }
                    throw e;
                })
                .execute(arguments);
    }

    private static int told(PrintStream err, @Nullable String message) {
        String line =
                String.valueOf(message).lines().findFirst().orElse("unknown command: lochan --help lists the commands");
        err.println("lochan: " + Intake.line(line, LONGEST_MESSAGE));
        return BAD_INPUT;
    }
}
