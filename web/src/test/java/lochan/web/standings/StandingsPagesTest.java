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
}
