package lochan.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import lochan.core.planning.search.Orienteering;
import lochan.core.planning.search.TourSearch;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The answer of {@code route}: an orienteering instance through the planner's own search. */
final class RouteAnswer {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final int MOST_NODES = 2_000;
    private static final int COLUMNS = 3;

    private RouteAnswer() {}

    /** @throws UsageException with the line that is wrong */
    static Orienteering read(String file) throws UsageException {
        try {
            List<String> lines = Files.readAllLines(Path.of(file));
            List<Orienteering.Node> nodes = new ArrayList<>();
            Double budget = null;
            for (int i = 0; i < lines.size(); i++) {
                if (lines.get(i).isBlank()) {
                    continue;
                }
                double[] numbers = numbers(file, i + 1, lines.get(i), budget == null ? 2 : COLUMNS);
                if (budget == null) {
                    budget = numbers[0];
                    if (numbers[1] != 1) {
                        throw new UsageException(
                                file + ": line " + (i + 1) + " asks for " + numbers[1] + " paths: expected 1");
                    }
                } else {
                    nodes.add(new Orienteering.Node(numbers[0], numbers[1], numbers[2]));
                }
            }
            if (budget == null || nodes.size() > MOST_NODES) {
                throw new UsageException(file
                        + (budget == null
                                ? ": is empty: expected a line “budget paths”, then lines “x y score”"
                                : ": has " + nodes.size() + " nodes: expected at most " + MOST_NODES));
            }
            return new Orienteering(budget, nodes);
        } catch (IOException | InvalidPathException e) {
            throw new UsageException(file + ": cannot be read as text (" + e.getMessage() + ")");
        } catch (IllegalArgumentException e) {
            throw new UsageException(file + ": " + e.getMessage());
        }
    }

    private static double[] numbers(String file, int line, String text, int count) throws UsageException {
        String[] words = text.strip().split("[\\s,;]+");
        double[] numbers = new double[count];
        try {
            for (int i = 0; i < count; i++) {
                numbers[i] = Double.parseDouble(words[i]);
            }
            if (words.length == count && java.util.Arrays.stream(numbers).allMatch(Double::isFinite)) {
                return numbers;
            }
        } catch (NumberFormatException | ArrayIndexOutOfBoundsException e) {
            // Told below, like a word too many.
        }
        throw new UsageException(file + ": line " + line + " is “" + text.strip() + "”: expected "
                + (count == 2 ? "“budget paths”" : "“x y score”"));
    }

    /** The path names nodes by their place in the file: 0 the start, 1 the end. */
    static ObjectNode json(Orienteering problem, TourSearch.Result found) {
        ObjectNode answer =
                JSON.createObjectNode().put("score", found.value()).put("length", problem.length(found.tour()));
        ArrayNode path = answer.putArray("path").add(0);
        found.tour().forEach(v -> path.add(v.item() + 2));
        path.add(1);
        return answer;
    }
}
