package lochan.web.cli;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** The options of one command: each once, in any place after the command. */
final class Options {

    private final String file;
    private final Map<String, String> values;

    private Options(String file, Map<String, String> values) {
        this.file = file;
        this.values = values;
    }

    /**
     * @param arguments what follows the command
     * @param valued    options that take a value
     * @param flags     options that take none
     */
    static Options parse(List<String> arguments, Set<String> valued, Set<String> flags) throws UsageException {
        String file = null;
        Map<String, String> values = new HashMap<>();
        for (int i = 0; i < arguments.size(); i++) {
            String argument = arguments.get(i);
            if (flags.contains(argument)) {
                values.put(argument, "");
            } else if (valued.contains(argument)) {
                if (++i == arguments.size()) {
                    throw new UsageException(argument + " has no value: give one after it");
                }
                values.put(argument, arguments.get(i));
            } else if (argument.startsWith("--")) {
                throw new UsageException("unknown option " + argument + ": expected one of " + names(valued, flags));
            } else if (file != null) {
                throw new UsageException("two files, " + file + " and " + argument + ": give one");
            } else {
                file = argument;
            }
        }
        if (file == null) {
            throw new UsageException("no file: give the event file after the command");
        }
        return new Options(file, values);
    }

    private static String names(Set<String> valued, Set<String> flags) {
        return java.util.stream.Stream.concat(valued.stream(), flags.stream()).sorted().reduce((a, b) -> a + ", " + b).orElse("none");
    }

    String file() {
        return file;
    }

    boolean has(String flag) {
        return values.containsKey(flag);
    }

    String text(String name) {
        return values.get(name);
    }

    int whole(String name, int instead, int least, int most) throws UsageException {
        String value = values.get(name);
        if (value == null) {
            return instead;
        }
        try {
            int number = Integer.parseInt(value);
            if (number >= least && number <= most) {
                return number;
            }
        } catch (NumberFormatException e) {
            // Told below, like a number out of range.
        }
        throw new UsageException(name + " is " + value + ": expected a whole number from " + least + " to " + most);
    }

    long seed() throws UsageException {
        String value = values.get("--seed");
        try {
            return value == null ? 1 : Long.parseLong(value);
        } catch (NumberFormatException e) {
            throw new UsageException("--seed is " + value + ": expected a whole number");
        }
    }
}
