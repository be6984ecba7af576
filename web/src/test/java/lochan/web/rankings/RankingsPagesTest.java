package lochan.web.rankings;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Comparator;
import java.util.List;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@ExtendWith(TestServers.class)
class RankingsPagesTest {

    private static String demoEvent(Visitor angler) {
        return angler.get("/events")
                .page()
                .selectFirst("a:contains(Two Arms Open)")
                .attr("href")
                .replace("/rules", "");
    }

    @ParameterizedTest
    @CsvSource({"rate, Bites/h", "landing, Landed", "legal, Legal", "hours, Effective hours"})
    void sortsByEachColumn(String sort, String label, @RunningApp.Demo RunningApp demo) {
        Visitor angler = demo.demoAngler();

        Visitor.Answer page = angler.get(demoEvent(angler) + "/rankings?sort=" + sort);

        List<Double> shown = page.texts("td[data-label=" + label + "]").stream()
                .map(t -> Double.valueOf(t.replaceAll("[^0-9.]", "")))
                .toList();
        assertThat(shown).hasSizeGreaterThan(30).isSortedAccordingTo(Comparator.reverseOrder());
        assertThat(page.page().select("th[aria-sort=descending]").text()).isEqualTo(label);
    }

    @Test
    void flagsLookAlikesNeverTriedAndSpotsWithoutSizes(@RunningApp.Demo RunningApp demo) {
        Visitor angler = demo.demoAngler();
        Visitor.Answer page = angler.get(demoEvent(angler) + "/rankings");

        assertThat(page.texts("tr:contains(Wend Weeds) .flag")).isNotEmpty().containsOnly("not fished here");
        assertThat(page.texts("tr:contains(Kestle Docks):contains(stick worm) .flag"))
                .containsOnly("size unknown");
    }

    @Test
    void aRowOpensItsEvidenceWithItsFactorsAndTheirProduct(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Evidence");
        Visitor.Answer rankings = angler.get(event + "/rankings?at=07:00");

        Visitor.Answer evidence =
                angler.get(rankings.page().selectFirst("tbody a").attr("href"));

        List<String> slice = evidence.texts("tbody tr:first-child td");
        assertThat(slice).hasSize(12);
        double product =
                slice.subList(3, 10).stream().mapToDouble(Double::parseDouble).reduce(1, (a, b) -> a * b);
        assertThat(Double.parseDouble(slice.get(10))).isCloseTo(product, org.assertj.core.api.Assertions.within(0.02));
        assertThat(evidence.text())
                .contains("Reed Corner")
                .contains("Thursday, 3 June")
                .contains("3 bites, 2 with a size");
    }

    @Test
    void anUnknownRowIsNotThere(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "No such row");

        assertThat(angler.get(event + "/rankings/evidence?spot=reed-corner&presentation=drop-shot")
                        .status())
                .isEqualTo(404);
    }

    /** Values come from many plans, in the background. */
    private static Visitor.Answer computed(Visitor angler, String path) {
        return org.awaitility.Awaitility.await()
                .atMost(java.time.Duration.ofMinutes(2))
                .until(
                        () -> angler.get(path),
                        page -> page.page().select("[data-again]").isEmpty());
    }

    @Test
    void rowsOpenSortedByValueAndTellWhatTheyAdd(@RunningApp.Demo RunningApp demo) {
        Visitor angler = demo.demoAngler();
        Visitor.Answer page = computed(angler, demoEvent(angler) + "/rankings");

        assertThat(page.page().select("th[aria-sort=descending]").text()).isEqualTo("Value, 2 h");
        assertThat(page.texts("td[data-label='Value, 2 h']"))
                .allMatch(t -> t.matches("\\d+ lb \\d+ oz"))
                .isSortedAccordingTo(
                        Comparator.comparingDouble(RankingsPagesTest::ounces).reversed());

        Visitor.Answer sorted = angler.get(demoEvent(angler) + "/rankings?sort=adds");
        List<String> adds = sorted.texts("td[data-label=Adds]");
        assertThat(page.texts("td[data-label=Adds]")).hasSameElementsAs(adds);
        assertThat(adds.getFirst()).matches("(\\d+ lb )?\\d+ oz");
        assertThat(adds.getLast()).isEqualTo("–");
        assertThat(sorted.page().select("th[aria-sort=descending]").text()).isEqualTo("Adds");
    }

    private static double ounces(String weight) {
        String[] parts = weight.split(" ");
        return 16 * Double.parseDouble(parts[0]) + Double.parseDouble(parts[2]);
    }

    @Test
    void theValuesCanBeStoppedAndGoOn(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Stopped values");
        angler.get(event + "/rankings");
        angler.post(event + "/rankings/stop", "day", "1");
        angler.post(event + "/rankings/values", "day", "1");

        assertThat(computed(angler, event + "/rankings").texts("td[data-label=Adds]"))
                .isNotEmpty()
                .doesNotContain("…");
    }

    @Test
    @Tag("slow")
    void patternsHaveATableOfTheirOwn(@RunningApp.Demo RunningApp demo) {
        Visitor angler = demo.demoAngler();
        Visitor.Answer page = computed(angler, demoEvent(angler) + "/rankings?view=patterns");

        assertThat(page.texts("tbody tr")).hasSizeGreaterThan(8).doesNotHaveDuplicates();
        assertThat(page.texts("tr:contains(Swim jig on grass edge) td")).satisfies(cells -> {
            assertThat(cells.get(4)).containsPattern("Harth Grass \\d+ lb");
            assertThat(cells.get(5)).matches("no keeper (under )?\\d+% of days");
            assertThat(cells.get(6)).isEqualTo("Wend Weeds");
        });
    }

    @Tag("slow")
    @Test
    void rowsStandSideBySideWithTheirReasons(@RunningApp.Demo RunningApp demo) {
        Visitor angler = demo.demoAngler();
        String compare = demoEvent(angler)
                + "/rankings/compare?day=1&at=07:00&row=sill-ledge~drop-shot&row=kestle-docks~stick-worm&row=wend-weeds~swim-jig";
        Visitor.Answer page = computed(angler, compare);

        assertThat(page.texts(".side-by-side h2")).hasSize(3).first().asString().contains("Drop shot at Sill Ledge");
        assertThat(page.texts(".side-by-side > section").get(0))
                .contains("Two hours here bring")
                .contains("The best plan")
                .contains("than on the lake as a whole at this hour");
        assertThat(page.texts(".side-by-side > section").get(1)).contains("No size known here");
        assertThat(page.texts(".side-by-side > section").get(2)).contains("Never fished here");
        assertThat(page.page().select("svg.compared")).hasSize(2);
        assertThat(page.texts("details table").getFirst()).contains("1–2 lb").contains("5 lb on");
        assertThat(angler.get(demoEvent(angler) + "/rankings/compare?row=sill-ledge~drop-shot&row=nowhere~x")
                        .text())
                .contains("Choose two rows or more");
    }
}
