package lochan.web;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.PrintStream;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import lochan.eventformat.EventFile;
import lochan.eventformat.EventFileException;
import lochan.eventformat.EventFileReader;
import lochan.eventformat.EventFileWriter;
import lochan.store.StoreException;
import lochan.web.account.Accounts;
import lochan.web.account.Angler;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.Events;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationContext;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/**
 * Events into the records of a data folder and out of them, for users who may read that folder. Messages go to standard
 * error; exit 0, or 2 with
 * one line for what is wrong with the file, the event or the account.
 */
@Command(name = "lochan")
final class EventTransfer {

    private static final int BAD_INPUT = 2;

    private final Supplier<ApplicationContext> application;
    private final PrintStream out;
    private final PrintStream err;

    /** @param application on its records, asked for once a command is understood */
    EventTransfer(Supplier<ApplicationContext> application, PrintStream out, PrintStream err) {
        this.application = application;
        this.out = out;
        this.err = err;
    }

    /** Starts the application on its records, reachable by nobody else, carries a command out and ends it. */
    static int run(Map<String, String> environment, PrintStream out, PrintStream err, String... arguments) {
        Map<String, String> alone = new HashMap<>(environment);
        alone.keySet().removeAll(List.of("LOCHAN_TLS", "LOCHAN_PROXY"));
        alone.putAll(Map.of("LOCHAN_PORT", "0", "LOCHAN_BIND", "127.0.0.1"));
        Server.Ending ending = new Server.Ending();
        Runtime.getRuntime().addShutdownHook(new Thread(ending, "stop"));
        PrintStream nobody = new PrintStream(OutputStream.nullOutputStream(), true, StandardCharsets.UTF_8);
        return new EventTransfer(() -> Server.start(Server.Wishes.of(false, alone), ending, nobody), out, err)
                .execute(arguments);
    }

    int execute(String... arguments) {
        return new CommandLine(this)
                .setOut(new PrintWriter(out, true, StandardCharsets.UTF_8))
                .setErr(new PrintWriter(err, true, StandardCharsets.UTF_8))
                .setParameterExceptionHandler((e, given) -> told(e.getMessage()))
                .setExecutionExceptionHandler((e, line, result) -> {
                    if (e instanceof StoreException) {
                        return told(e.getMessage());
                    }
                    throw e;
                })
                .execute(arguments);
    }

    private int told(@Nullable String message) {
        err.println("lochan: " + String.valueOf(message).lines().findFirst().orElse(""));
        return BAD_INPUT;
    }

    @Command(name = "import")
    int importFile(@Parameters(paramLabel = "FILE") Path file, @Option(names = "--account") String account)
            throws IOException {
        try (InputStream in = Files.newInputStream(file)) {
            EventFile read = EventFileReader.read(in);
            ApplicationContext records = application.get();
            EventKey key = records.getBean(EventBook.class)
                    .add(angler(records, account).accountId(), read);
            err.println("lochan: “" + read.data().name() + "” imported: its address is /events/" + key.eventId() + ".");
            return 0;
        } catch (NoSuchFileException e) {
            return told(file + " isn't there. Give the path of an event file.");
        } catch (EventFileException e) {
            EventFileException.Problem first = e.problems().getFirst();
            int more = e.problems().size() - 1;
            return told(file + " was not imported: " + first.pointer() + " " + first.message()
                    + (more == 0 ? "." : ", and " + more + " more."));
        }
    }

    @Command(name = "export")
    int export(@Parameters(paramLabel = "EVENT") String event, @Option(names = "--account") String account)
            throws IOException {
        ApplicationContext records = application.get();
        EventKey key = event(records, angler(records, account), event);
        EventFileWriter.write(records.getBean(EventBook.class).file(key), out);
        return 0;
    }

    /** The one account there is, or the one that is named. */
    private static Angler angler(ApplicationContext records, String name) {
        Accounts accounts = records.getBean(Accounts.class);
        List<Angler> all = accounts.all();
        if (name != null) {
            return accounts.find(name)
                    .orElseThrow(() -> new StoreException(
                            "There is no account " + name + ": --account expected one of " + names(all) + "."));
        }
        if (all.size() != 1) {
            throw new StoreException(
                    all.isEmpty()
                            ? "There is no account yet: start Lochan and make one on its first page."
                            : "There are several accounts: say whose event it is with --account, one of " + names(all)
                                    + ".");
        }
        return all.getFirst();
    }

    private static String names(List<Angler> anglers) {
        return anglers.stream().map(Angler::name).collect(Collectors.joining(", "));
    }

    /** The event of that number or name. */
    private static EventKey event(ApplicationContext records, Angler angler, String wanted) {
        List<Events.Head> heads = records.getBean(Events.class).heads(angler.accountId());
        List<Events.Head> meant = heads.stream()
                .filter(h -> Long.toString(h.key().eventId()).equals(wanted)
                        || h.name().equals(wanted))
                .toList();
        if (meant.size() != 1) {
            throw new StoreException((meant.isEmpty() ? "There is no event " : "There are several events called ")
                    + wanted + ": "
                    + (heads.isEmpty()
                            ? "there is none yet."
                            : heads.stream()
                                    .map(h -> h.key().eventId() + " (" + h.name() + ")")
                                    .collect(Collectors.joining(", ", "expected the number or name of one of ", "."))));
        }
        return meant.getFirst().key();
    }
}
