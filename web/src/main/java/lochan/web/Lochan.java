package lochan.web;

import lochan.web.cli.CommandLine;

/** The one program: a command on an event file, or the web application. */
public final class Lochan {

    private Lochan() { }

    public static void main(String[] arguments) {
        if (arguments.length > 0 && CommandLine.COMMANDS.contains(arguments[0])) {
            System.exit(new CommandLine(System.in, System.out, System.err).run(arguments));
        }
        Server.main(arguments);
    }
}
