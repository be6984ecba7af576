package lochan.web.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CommandLineTest {

    private static final String TINY = "src/test/resources/cases/rank-tiny.event.json";
    private static final String PLANNED = "src/test/resources/cases/value-simple.event.json";

    private final ByteArrayOutputStream out = new ByteArrayOutputStream();
    private final ByteArrayOutputStream err = new ByteArrayOutputStream();

    private int run(String... arguments) {
        out.reset();
        err.reset();
        return new CommandLine(new PrintStream(out, true), new PrintStream(err, true)).run(arguments);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "rank | no file", "rank nowhere.json | nowhere.json: there is no such file", "rank a.json b.json | two files, a.json and b.json",
        "rank TINY --day 9 | --day is 9: expected a whole number from 1 to 1", "rank TINY --at noon | --at is noon: expected a time as 07:30",
        "rank TINY --at 03:00 | expected a time of the competition day", "rank TINY --seed x | --seed is x: expected a whole number",
        "rank TINY --scenarios 0 | --scenarios is 0", "rank TINY --scenarios | --scenarios has no value", "rank TINY --fast | unknown option --fast",
        "value TINY | has no plan", "value PLANNED --plan 7 | --plan is 7", "bag pom.xml | pom.xml: the file: is no JSON at line 1, column 1"})
    void badFilesAndOptionsEndWithTwoAndOneLine(String line, String message) {
        assertThat(run(line.replace("TINY", TINY).replace("PLANNED", PLANNED).split(" "))).isEqualTo(2);
        assertThat(err.toString()).startsWith("lochan: ").contains(message).hasLineCount(1);
        assertThat(out.toString()).isEmpty();
    }

    @Test
    void aWrongValueIsNamedByItsPointer(@TempDir Path folder) throws Exception {
        Path file = folder.resolve("wrong.json");
        Files.writeString(file, Files.readString(Path.of(TINY)).replace("\"single\"", "\"quadruple\""));

        assertThat(run("rank", file.toString())).isEqualTo(2);
        assertThat(err.toString()).contains("/presentations/0/hooks: found \"quadruple\", expected one of single, treble, multi");
    }

    @Test
    void theSameSeedGivesTheSameAnswer() {
        run("value", PLANNED, "--scenarios", "300", "--seed", "4");
        String first = out.toString();
        run("value", PLANNED, "--scenarios", "300", "--seed", "4");
        assertThat(out.toString()).isEqualTo(first);
        run("value", PLANNED, "--scenarios", "300", "--seed", "5");
        assertThat(out.toString()).isNotEqualTo(first);
    }

    @Test
    void theBagSoFarIsPartOfTheValue(@TempDir Path folder) throws Exception {
        Path file = folder.resolve("bag.json");
        Files.writeString(file, Files.readString(Path.of(PLANNED)).replace("\"competition\": []", ""
                + "\"competition\": [{\"type\": \"catch\", \"id\": \"c1\", \"at\": \"2027-06-05T07:00:00-06:00\", \"species\": \"largemouth\","
                + " \"grams\": 3000, \"mm\": null, \"alive\": true}]"));

        run("value", file.toString(), "--scenarios", "300");
        double without = grams();
        run("value", file.toString(), "--scenarios", "300", "--bag");
        assertThat(grams()).isBetween(without + 500, without + 3000);
    }

    private double grams() {
        return Double.parseDouble(out.toString().replaceAll("(?s).*\"formulaGrams\" : ([0-9.]+).*", "$1"));
    }
}
