package lochan.web.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Stream;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import org.jooq.DSLContext;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(TestServers.class)
class PlanPagesTest {

    private static String id(Visitor.Answer page) {
        return page.page().selectFirst("input[name=plan]").attr("value");
    }

    /** Adds a stop of so many minutes at the one spot. */
    private static Visitor.Answer added(Visitor angler, String event, String plan, int minutes) {
        return SampleEvents.addStop(angler, event, plan, "reed-corner", "swim-jig", minutes);
    }

    @Test
    @Tag("slow")
    void everyChangeIsValuedUndoneAndDoneAgain(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Planned");
        String plan = id(angler.post(event + "/plan/new", "day", "1"));

        Visitor.Answer first = added(angler, event, plan, 120);
        assertThat(first.text())
                .contains("Reed Corner")
                .containsPattern("Projected bag \\d+ lb \\d+ oz")
                .contains("Full limit");
        Visitor.Answer typed = SampleEvents.setStop(angler, event, plan, "06:30", "12:00");
        assertThat(typed.value("stops/0/arrive")).isEqualTo("06:30");
        assertThat(typed.texts("[data-cost]")).singleElement().asString().matches("\\+.* oz: Reed Corner set by hand");
        Visitor.Answer longer =
                angler.post(event + "/plan/edit", "plan", plan, "op", "stretch", "index", "0", "minutes", "-30");
        assertThat(longer.value("stops/0/leave")).isEqualTo("11:30");
        assertThat(longer.texts("[data-cost]")).singleElement().asString().startsWith("−");

        assertThat(angler.post(event + "/plan/undo", "plan", plan).value("stops/0/leave"))
                .isEqualTo("12:00");
        assertThat(angler.post(event + "/plan/undo", "plan", plan).value("stops/0/leave"))
                .isNotEqualTo("12:00");
        assertThat(angler.post(event + "/plan/redo", "plan", plan).text()).contains("Redone: Reed Corner set by hand.");
        Visitor.Answer again = angler.post(event + "/plan/redo", "plan", plan);
        assertThat(again.value("stops/0/leave")).isEqualTo("11:30");
        assertThat(angler.post(event + "/plan/redo", "plan", plan).text()).contains("There is nothing to redo.");
        angler.post(event + "/plan/undo", "plan", plan);
        angler.post(event + "/plan/edit", "plan", plan, "op", "name", "name", "By hand");
        assertThat(angler.post(event + "/plan/redo", "plan", plan).text())
                .as("another change instead of what was undone")
                .contains("There is nothing to redo.");
    }

    @Test
    void whatCannotBeIsRefusedWithWhatIsWrongAndKept(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Senseless");
        String plan = id(angler.post(event + "/plan/new", "day", "1"));
        assertThat(angler.post(
                                event + "/plan/edit",
                                "plan",
                                plan,
                                "op",
                                "add",
                                "add/spot",
                                "nowhere",
                                "add/presentation",
                                "swim-jig")
                        .text())
                .contains("Choose a spot and a lure from the list");
        added(angler, event, plan, 60);

        Visitor.Answer refused = SampleEvents.setStop(angler, event, plan, "09:00", "08:00");
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.text()).contains("before you arrive");
        assertThat(refused.value("stops/0/arrive")).isEqualTo("09:00");
        assertThat(SampleEvents.setStop(angler, event, plan, "nine", "10:00").text())
                .contains("“nine” isn't a time");
        assertThat(angler.post(
                                event + "/plan/edit",
                                "plan",
                                plan,
                                "op",
                                "set",
                                "index",
                                "0",
                                "stops/0/spot",
                                "nowhere",
                                "stops/0/presentation",
                                "swim-jig",
                                "stops/0/arrive",
                                "07:00",
                                "stops/0/leave",
                                "08:00")
                        .text())
                .contains("Spot “nowhere” isn't in this event");
        assertThat(angler.post(event + "/plan/edit", "plan", plan, "op", "shift", "index", "0", "minutes", "soon")
                        .text())
                .contains("“soon” isn't a")
                .as("refused at the top of no row")
                .isNotEmpty();
        assertThat(angler.post(event + "/plan/edit", "plan", plan, "op", "drop", "index", "7")
                        .text())
                .contains("was changed in another window");
        assertThat(angler.post(event + "/plan/edit", "plan", plan, "op", "drop", "index", "0", "seen", "0")
                        .text())
                .contains("was changed in another window");
        assertThat(angler.get(event + "/plan?plan=" + plan).page().select("[data-stop]"))
                .hasSize(1);
    }

    @Test
    void aRunThatDoesNotFitIsFlagged(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Late");
        String plan = id(angler.post(event + "/plan/new", "day", "1"));
        added(angler, event, plan, 60);

        Visitor.Answer late = SampleEvents.setStop(angler, event, plan, "06:00", "15:00");
        assertThat(late.text())
                .contains("This plan doesn’t work: the run to Reed Corner needs")
                .contains("more minutes");
        assertThat(late.texts("[data-forecast]")).as("no projection of it").containsExactly("–");
        assertThat(late.texts("[data-cost]")).as("no weight beside it").noneMatch(t -> t.contains(" oz"));
    }

    /** The rules may lose a day when no plan is made for it. */
    @Test
    void aDeletedPlanComesBackOnlyWhileItsDayIsThere(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Shortened");
        Map<String, String> longer = new LinkedHashMap<>(SampleEvents.form("Shortened"));
        longer.putAll(Map.of("days/1/date", "2027-06-06", "days/1/start", "06:00", "days/1/checkIn", "14:00"));
        angler.post(event + "/rules", longer);
        String plan = id(angler.post(event + "/plan/new", "day", "2"));
        assertThat(angler.post(event + "/rules", SampleEvents.form("Shortened")).text())
                .contains("Day 2 has a plan");
        String restore = angler.post(event + "/plan/delete", "plan", plan)
                .page()
                .selectFirst(".note form")
                .attr("action");
        angler.post(event + "/rules", SampleEvents.form("Shortened"));

        assertThat(angler.post(restore).text())
                .contains("no longer has the day")
                .contains("No plan yet");
        angler.post(event + "/rules", longer);
        assertThat(id(angler.post(restore))).isEqualTo(plan);
    }

    private static Visitor.Answer searched(Visitor angler, String event, String plan) {
        org.awaitility.Awaitility.await()
                .atMost(java.time.Duration.ofMinutes(2))
                .until(() -> angler.get(event + "/plan?plan=" + plan)
                        .page()
                        .select("#search progress")
                        .isEmpty());
        return angler.get(event + "/plan?plan=" + plan);
    }

    @Tag("slow")
    @Test
    void aSearchGoesAroundTheLocksAndTouchesNothing(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Searched");
        String plan = id(angler.post(event + "/plan/search", "day", "1", "strategy", "balanced"));
        Visitor.Answer found = searched(angler, event, plan);
        assertThat(found.page().select("[data-stop]"))
                .as("nothing goes into the plan by itself")
                .isEmpty();
        assertThat(angler.post(event + "/plan/search/keep", "plan", plan, "found", "0")
                        .value("stops/0/spot"))
                .isEqualTo("reed-corner");

        SampleEvents.setStop(angler, event, plan, "08:00", "09:00");
        angler.post(event + "/plan/edit", "plan", plan, "op", "lock", "index", "0");
        angler.post(event + "/plan/search", "plan", plan, "strategy", "all");
        Visitor.Answer around = searched(angler, event, plan);
        assertThat(around.texts("#search tbody tr")).hasSize(4).allMatch(r -> r.contains("Reed Corner 08:00–09:00"));
        assertThat(around.value("stops/0/arrive")).isEqualTo("08:00");
        Visitor.Answer kept = angler.post(event + "/plan/search/keep", "plan", plan, "found", "2");
        assertThat(kept.text()).contains("The plan was added.").contains("Big fish");
        assertThat(id(kept)).isNotEqualTo(plan);
        assertThat(angler.post(event + "/plan/search/keep", "plan", plan, "found", "9")
                        .text())
                .contains("optimise again");

        SampleEvents.setStop(angler, event, plan, "06:00", "15:00");
        assertThat(angler.post(event + "/plan/search", "plan", plan).text())
                .contains("The locked stops alone cannot be kept");
    }

    @Test
    void withoutPracticeThereIsNothingToSearchWith(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Unpractised");

        assertThat(angler.post(event + "/plan/search", "day", "1").text()).contains("No practice yet");
    }

    @Test
    @Tag("slow")
    void aDayIsCopiedToTheNextWhereItsFishAreMissingAndBothArePlannedTogether(@RunningApp.Demo RunningApp demo) {
        Visitor angler = demo.demoAngler();
        String event = demoEvent(angler);
        String plan = id(angler.get(event + "/plan"));

        Visitor.Answer second = angler.post(event + "/plan/copy", "plan", plan, "day", "2");
        assertThat(second.text())
                .contains("Copied for day 2.")
                .contains("Spots of the first plan of the day before hold fewer fish.");
        assertThat(second.value("stops/0/arrive"))
                .isEqualTo(angler.get(event + "/plan?plan=" + plan).value("stops/0/arrive"));
        angler.post(second.page().selectFirst(".note form").attr("action"));

        angler.post(event + "/plan/search", "plan", plan, "strategy", "both-days");
        Visitor.Answer both = searched(angler, event, plan);
        assertThat(both.texts("#search tbody tr"))
                .hasSizeGreaterThan(2)
                .allMatch(r -> r.contains("Next day: "))
                .anyMatch(r -> r.startsWith("saving "));
        int plans = both.texts(".tabs a").size();
        Visitor.Answer pair = angler.post(event + "/plan/search/keep", "plan", plan, "found", "1");
        assertThat(pair.texts(".tabs a")).hasSize(plans + 2);
        assertThat(angler.post(pair.page().selectFirst(".note form").attr("action"))
                        .texts(".tabs a"))
                .as("undone both")
                .hasSize(plans);
        angler.post(event + "/plan/search", "plan", plan, "strategy", "balanced", "effort", "thorough");
        angler.post(event + "/plan/search/stop", "plan", plan);
        assertThat(searched(angler, event, plan).text()).contains("Stopped early: the best found so far.");
    }

    @Tag("slow")
    @Test
    void suppositionsAreToldBesideWhatIsKnown(@RunningApp.Demo RunningApp demo) {
        Visitor angler = demo.demoAngler();
        String event = demoEvent(angler);
        String plan = id(angler.get(event + "/plan"));

        assertThat(angler.get(event + "/plan?plan=" + plan)
                        .texts("#supposed [role=status]")
                        .getFirst())
                .doesNotContain(" difference");
        Visitor.Answer weak = angler.get(event + "/plan?plan=" + plan + "&weak=on&boats=3&wind=25&target=" + 60);
        assertThat(weak.texts("#supposed [role=status]").getFirst())
                .containsPattern("−.* difference")
                .contains("30 lb 0 oz: under 1%");
        assertThat(weak.texts("[data-forecast]"))
                .isEqualTo(angler.get(event + "/plan?plan=" + plan).texts("[data-forecast]"));
    }

    @Tag("slow")
    @Test
    void aWindThatMakesARunTooLongIsTold(@RunningApp.Demo RunningApp demo) {
        Visitor angler = demo.demoAngler();
        String event = demoEvent(angler);
        String copy = id(angler.post(event + "/plan/copy", "plan", id(angler.get(event + "/plan"))));
        Visitor.Answer tight = angler.post(
                event + "/plan/edit",
                "plan",
                copy,
                "op",
                "set",
                "index",
                "0",
                "stops/0/spot",
                "harth-grass",
                "stops/0/presentation",
                "walking-topwater",
                "stops/0/arrive",
                "06:08",
                "stops/0/leave",
                "07:00");

        assertThat(tight.value("stops/0/arrive")).isEqualTo("06:08");
        assertThat(tight.text()).doesNotContain("cannot be kept");
        assertThat(angler.get(event + "/plan?plan=" + copy + "&wind=20").text())
                .containsPattern("Then the run to Harth Grass needs \\d more minutes?");
        angler.post(event + "/plan/delete", "plan", copy);
    }

    private static String demoEvent(Visitor angler) {
        return angler.get("/events")
                .page()
                .selectFirst("a:contains(Two Arms Open)")
                .attr("href")
                .replace("/rules", "");
    }

    @Test
    @Tag("slow")
    void theDemosPlanHasBackupsThatCanBeKept(@RunningApp.Demo RunningApp demo) {
        Visitor angler = demo.demoAngler();
        String event = SampleEvents.demoAgain(angler);
        String backups = angler.get(event + "/plan")
                .page()
                .selectFirst("a[href*=backups]")
                .attr("href");
        assertThat(angler.get(event + "/plan/backups").path()).as("of no plan").isEqualTo(event + "/plan");

        org.awaitility.Awaitility.await()
                .atMost(java.time.Duration.ofMinutes(2))
                .until(() -> angler.get(backups).page().select("ol > li.sheet").size() > 1);

        Visitor.Answer ladder = angler.get(backups);
        assertThat(ladder.texts("ol > li.sheet h2"))
                .first()
                .asString()
                .startsWith("1. ")
                .contains(" on ");
        assertThat(ladder.texts("#content > p strong"))
                .singleElement()
                .asString()
                .matches("The main pattern is [A-Z][a-z -]+ on [a-z ]+\\.");
        assertThat(ladder.text()).containsPattern("(No bite|Fewer than \\d bites) by \\d\\d:\\d\\d at ");
        Visitor.Answer kept = angler.post(ladder.page().selectFirst("ol form").attr("action"));
        assertThat(kept.text()).contains("The backup was added as a plan.").contains("Backup: ");
        angler.post(kept.page().selectFirst(".note form").attr("action"));
        assertThat(angler.post(event + "/plan/backups/keep?rung=99&" + backups.replaceAll(".*\\?", ""))
                        .text())
                .contains("these are the new backups");
    }

    /**
     * Two windows of one plan save at the same moment: one change is made, the other is reported; nothing is lost
     * silently.
     */
    @Tag("slow")
    @Test
    void ofTwoChangesAtTheSameMomentOneIsMadeAndTheOtherIsTold(RunningApp app) throws Exception {
        RunningApp.Account account = app.account();
        Visitor one = account.visitor();
        String event = SampleEvents.practisedEvent(one, "Two windows");
        String plan = id(one.post(event + "/plan/new", "day", "1"));
        Visitor other = app.visitor();
        other.post("/sign-in", "name", account.name(), "password", account.password());
        for (int i = 0; i < 8; i++) {
            String seen = one.get(event + "/plan?plan=" + plan).value("seen");
            other.get(event + "/plan?plan=" + plan);
            String name = "Name " + i;
            var answers = Stream.of(one, other)
                    .map(v -> CompletableFuture.supplyAsync(() -> v.post(
                            event + "/plan/edit",
                            "plan",
                            plan,
                            "op",
                            "name",
                            "name",
                            name + (v == one ? " of one" : " of the other"),
                            "seen",
                            seen)))
                    .toList()
                    .stream()
                    .map(CompletableFuture::join)
                    .toList();

            assertThat(answers).extracting(Visitor.Answer::status).containsOnly(200);
            assertThat(answers.stream()
                            .filter(a -> a.text().contains("changed in another window"))
                            .count())
                    .as("round " + i)
                    .isEqualTo(1);
        }
    }

    /** The boat app shows the plan that is marked, else the newest; names differ. */
    @Test
    void aPlanIsFollowedWhenItIsMarkedOrNewest(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Followed");
        String first = SampleEvents.plan(angler, event);
        angler.post(event + "/plan/edit", Map.of("plan", first, "op", "name", "name", "Dawn"));
        angler.post(event + "/plan/copy", "plan", first, "day", "1");
        Visitor.Answer copied = angler.post(event + "/plan/copy", "plan", first, "day", "1");
        assertThat(copied.texts(".tabs a")).anyMatch(t -> t.contains("Copy of Dawn 2") && t.contains("followed"));

        String longest = "n".repeat(EditController.LONGEST_NAME);
        angler.post(event + "/plan/edit", Map.of("plan", first, "op", "name", "name", longest));
        angler.post(event + "/plan/copy", "plan", first, "day", "1");
        assertThat(angler.post(event + "/plan/copy", "plan", first, "day", "1").texts(".tabs a"))
                .as("a name that was cut to what a plan has room for differs too")
                .anyMatch(t -> t.matches(".*Copy of n+ 2 followed"));
        angler.post(event + "/plan/edit", Map.of("plan", first, "op", "name", "name", "Dawn"));

        Visitor.Answer followed = angler.post(event + "/plan/follow", "plan", first);
        assertThat(followed.text()).contains("The boat app now shows this plan for day 1.");
        assertThat(followed.texts(".tabs a:contains(followed)"))
                .singleElement()
                .asString()
                .contains("Dawn");
        assertThat(angler.get(SampleEvents.boat(event) + "/pack").body())
                .contains("\"plans\":[{\"day\":1,\"name\":\"Dawn\"");
    }

    /** A clock that is set back, as the demo's may be: what was marked last is followed, not what bears the later time. */
    @Test
    void aPlanMarkedAfterTheClockWasSetBackIsFollowed(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Set back");
        String first = SampleEvents.plan(angler, event);
        angler.post(event + "/plan/edit", Map.of("plan", first, "op", "name", "name", "Dawn"));
        angler.post(event + "/plan/copy", "plan", first, "day", "1");
        angler.post(event + "/plan/follow", "plan", first);
        app.bean(DSLContext.class)
                .execute("UPDATE plan SET followed_at = followed_at + INTERVAL 2 DAY WHERE id = ?", first);

        String copy = angler.get(event + "/plan")
                .page()
                .select(".tabs a:contains(Copy of Dawn)")
                .attr("href")
                .replaceAll("\\D+", " ")
                .strip()
                .replaceAll(".* ", "");
        assertThat(angler.post(event + "/plan/follow", "plan", copy).texts(".tabs a:contains(followed)"))
                .singleElement()
                .asString()
                .contains("Copy of Dawn");
    }
}
