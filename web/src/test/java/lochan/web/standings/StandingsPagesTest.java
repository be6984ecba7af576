package lochan.web.standings;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Comparator;
import java.util.List;
import lochan.web.TestServers;
import lochan.web.testing.Rules;
import lochan.web.testing.RunningApp;
import lochan.web.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@ExtendWith(TestServers.class)
class StandingsPagesTest {

    private static String demoEvent(Visitor angler) {
        return angler.get("/events").page().selectFirst("a:contains(Two Arms Open)").attr("href").replace("/brief", "");
    }

    @ParameterizedTest
    @CsvSource({"rate, Strikes/h", "landing, Landed", "legal, Legal", "hours, Effective hours"})
    void sortsByEachColumn(String sort, String label, @RunningApp.Demo RunningApp demo) {
        Visitor angler = demo.demoAngler();

        Visitor.Answer page = angler.get(demoEvent(angler) + "/standings?sort=" + sort);

        List<Double> shown = page.texts("td[data-label=" + label + "]").stream().map(t -> Double.valueOf(t.replaceAll("[^0-9.]", ""))).toList();
        assertThat(shown).hasSizeGreaterThan(30).isSortedAccordingTo(Comparator.reverseOrder());
        assertThat(page.page().select("th[aria-sort=descending]").text()).isEqualTo(label);
    }

    @Test
    void flagsLookAlikesNeverTriedAndSpotsWithoutSizes(@RunningApp.Demo RunningApp demo) {
        Visitor angler = demo.demoAngler();
        Visitor.Answer page = angler.get(demoEvent(angler) + "/standings");

        assertThat(page.texts("tr:contains(Wend Weeds) .flag")).isNotEmpty().containsOnly("not tried here");
        assertThat(page.texts("tr:contains(Kestle Docks):contains(stick worm) .flag")).containsOnly("size unknown");
    }

    @Test
    void aRowOpensItsEvidenceWithSixFactorsAndTheirProduct(RunningApp app) {
        Visitor angler = app.angler();
        String event = Rules.practisedEvent(angler, "Evidence");
        Visitor.Answer standings = angler.get(event + "/standings?at=07:00");

        Visitor.Answer evidence = angler.get(standings.page().selectFirst("tbody a").attr("href"));

        List<String> slice = evidence.texts("tbody tr:first-child td");
        assertThat(slice).hasSize(11);
        double product = slice.subList(3, 9).stream().mapToDouble(Double::parseDouble).reduce(1, (a, b) -> a * b);
        assertThat(Double.parseDouble(slice.get(9))).isCloseTo(product, org.assertj.core.api.Assertions.within(0.02));
        assertThat(evidence.text()).contains("Reed Corner").contains("Thursday, 3 June").contains("3 strikes, 2 with a size");
    }

    @Test
    void anUnknownRowIsNotThere(RunningApp app) {
        Visitor angler = app.angler();
        String event = Rules.practisedEvent(angler, "No such row");

        assertThat(angler.get(event + "/standings/evidence?spot=reed-corner&presentation=drop-shot").status()).isEqualTo(404);
    }

    /** What rows are worth comes from many plans, in the background. */
    private static Visitor.Answer reckoned(Visitor angler, String path) {
        org.awaitility.Awaitility.await().atMost(java.time.Duration.ofMinutes(2)).until(() -> angler.get(path).page().select("[data-again]").isEmpty());
        return angler.get(path);
    }

    @Test
    void rowsTellWhatTheyAreWorthToTheDayAndAreSortedByIt(@RunningApp.Demo RunningApp demo) {
        Visitor angler = demo.demoAngler();
        Visitor.Answer page = reckoned(angler, demoEvent(angler) + "/standings");

        Visitor.Answer sorted = angler.get(demoEvent(angler) + "/standings?sort=worth");
        List<String> worth = sorted.texts("td[data-label=Worth]");
        assertThat(page.texts("td[data-label=Worth]")).hasSameElementsAs(worth);
        assertThat(worth.getFirst()).matches("(\\d+ lb )?\\d+ oz");
        assertThat(worth.getLast()).isEqualTo("–");
        assertThat(sorted.texts("td[data-label='Two hours']")).allMatch(t -> t.matches("\\d+ lb \\d+ oz"));
        assertThat(sorted.page().select("th[aria-sort=descending]").text()).isEqualTo("Worth");
    }

    @Test
    void patternsHaveATableOfTheirOwn(@RunningApp.Demo RunningApp demo) {
        Visitor angler = demo.demoAngler();
        Visitor.Answer page = reckoned(angler, demoEvent(angler) + "/standings?view=patterns");

        assertThat(page.texts("tbody tr")).hasSizeGreaterThan(8).doesNotHaveDuplicates();
        assertThat(page.texts("tr:contains(Swim jig on grass edge) td")).satisfies(cells -> {
            assertThat(cells.get(4)).containsPattern("Sill Grass \\d+ lb");
            assertThat(cells.get(5)).matches("no keeper (under )?\\d+% of days");
            assertThat(cells.get(6)).isEqualTo("Wend Weeds");
        });
    }

    @Test
    void rowsStandSideBySideWithTheirReasons(@RunningApp.Demo RunningApp demo) {
        Visitor angler = demo.demoAngler();
        String compare = demoEvent(angler) + "/standings/compare?day=1&at=07:00&row=sill-ledge~drop-shot&row=kestle-docks~weightless-stick-worm&row=wend-weeds~swim-jig";
        Visitor.Answer page = reckoned(angler, compare.replace("weightless-stick-worm", angler.get(demoEvent(angler) + "/standings").page()
                .select("tr:contains(Kestle Docks):contains(stick worm) input[name=row]").attr("value").split("~")[1]));

        assertThat(page.texts(".side-by-side h2")).hasSize(3).first().asString().contains("Drop shot at Sill Ledge");
        assertThat(page.texts(".side-by-side > section").get(0)).contains("Two hours here are worth").contains("The best plan").contains("strikes an hour against");
        assertThat(page.texts(".side-by-side > section").get(1)).contains("Not one fish here has a size");
        assertThat(page.texts(".side-by-side > section").get(2)).contains("It was never tried here");
        assertThat(page.page().select("svg.compared")).hasSize(2);
        assertThat(page.texts("details table").getFirst()).contains("1–2 lb").contains("5 lb on");
        assertThat(angler.get(demoEvent(angler) + "/standings/compare?row=sill-ledge~drop-shot&row=nowhere~x").text()).contains("Choose two rows or more");
    }
}
