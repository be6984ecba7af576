package lochan.offline.boat;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.BufferedWriter;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A module of the page, run by Node, that answers a question a line. */
record NodeModule(Path copy, Process node, BufferedWriter ask, BufferedReader answers) implements AutoCloseable {

    /**
     * @param module name of the module's file
     * @param script of {@code src/test/js} that asks it
     */
    static NodeModule start(String module, String script) throws IOException {
        Path copy = Files.createTempDirectory("module").resolve(module.replace(".js", ".mjs"));
        try (InputStream in = NodeModule.class.getResourceAsStream("/static/js/boat/" + module)) {
            Files.copy(in, copy);
        }
        Process node = new ProcessBuilder("node", "src/test/js/" + script, copy.toString())
                .redirectError(ProcessBuilder.Redirect.INHERIT)
                .start();
        return new NodeModule(
                copy, node, node.outputWriter(StandardCharsets.UTF_8), node.inputReader(StandardCharsets.UTF_8));
    }

    JsonNode say(JsonNode question) throws IOException {
        ask.write(question.toString());
        ask.newLine();
        ask.flush();
        return JsonMapper.shared().readTree(answers.readLine());
    }

    @Override
    public void close() throws IOException {
        ask.close();
        node.destroy();
        Files.delete(copy);
        Files.delete(copy.getParent());
    }

    /** How texts of an answer are compared. */
    interface Texts {
        void same(JsonNode page, JsonNode here, String at);
    }

    /** Numbers may differ in their last digits, relatively; all else is the same. */
    static void same(JsonNode page, JsonNode here, String at, double rounding, Texts texts) {
        if (here.isNumber()) {
            assertThat(page.isNumber()).as(at).isTrue();
            assertThat(Math.abs(page.asDouble() - here.asDouble()))
                    .as(at)
                    .isLessThanOrEqualTo(rounding * Math.max(1, Math.abs(here.asDouble())));
        } else if (here.isObject()) {
            assertThat(page.propertyNames()).as(at).containsExactlyInAnyOrderElementsOf(here.propertyNames());
            here.properties()
                    .forEach(p -> same(page.path(p.getKey()), p.getValue(), at + "/" + p.getKey(), rounding, texts));
        } else if (here.isArray()) {
            assertThat(page.size()).as(at).isEqualTo(here.size());
            for (int i = 0; i < here.size(); i++) {
                same(page.get(i), here.get(i), at + "/" + i, rounding, texts);
            }
        } else {
            texts.same(page, here, at);
        }
    }
}
