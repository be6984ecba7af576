package lochan.web.cli;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The options of one command: each once, in any place after the command. */
final class Options {

    private final String file;
    private final Map<String, List<String>> values;

    private Options(String file, Map<String, List<String>> values) {
        this.file = file;
        this.values = values;
    }

    /**
     * @param arguments what follows the command
     * @param known     options, and how many values each takes
     */
    static Options parse(List<String> arguments, Map<String, Integer> known) throws UsageException {
        String file = null;
        Map<String, List<String>> values = new HashMap<>();
        for (int i = 0; i < arguments.size(); i++) {
            String argument = arguments.get(i);
            if (known.containsKey(argument)) {
                int count = known.get(argument);
                if (i + count >= arguments.size()) {
                    throw new UsageException(argument + (count == 1 ? " has no value: give one after it" : " has too few values: give " + count + " after it"));
                }
                values.put(argument, List.copyOf(arguments.subList(i + 1, i + 1 + count)));
                i += count;
            } else if (argument.startsWith("--")) {
                throw new UsageException("unknown option " + argument + ": expected one of "
                        + known.keySet().stream().sorted().reduce((a, b) -> a + ", " + b).orElse("none"));
            } else if (file != null) {
                throw new UsageException("two files, " + file + " and " + argument + ": give one");
            } else {
                file = argument;
            }
        }
        if (file == null) {
            throw new UsageException("no file: give the file after the command");
        }
        return new Options(file, values);
    }

    String file() {
        return file;
    }

    boolean has(String flag) {
        return values.containsKey(flag);
    }

    String text(String name) {
        return has(name) ? values.get(name).getFirst() : null;
    }

    /** The i-th value of an option that is there. */
    double number(String name, int i, double least, double most) throws UsageException {
        String value = values.get(name).get(i);
        try {
            double number = Double.parseDouble(value);
            if (number >= least && number <= most) {
                return number;
            }
        } catch (NumberFormatException e) {
            // Told below, like a number out of range.
        }
        throw new UsageException(name + " is " + value + ": expected a number from " + least + " to " + most);
    }

    int whole(String name, int instead, int least, int most) throws UsageException {
        String value = text(name);
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
        String value = text("--seed");
        try {
            return value == null ? 1 : Long.parseLong(value);
        } catch (NumberFormatException e) {
            throw new UsageException("--seed is " + value + ": expected a whole number");
        }
    }
}
