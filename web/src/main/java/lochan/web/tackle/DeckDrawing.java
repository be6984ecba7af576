package lochan.web.tackle;

import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import lochan.core.event.CompetitionDay;
import lochan.core.eventdata.EventData;
import lochan.core.lures.deck.DeckList;
import lochan.core.plan.Plan;
import lochan.offline.plan.PlanWords;
import lochan.web.plan.DayDrawing;
import lochan.web.shared.Dates;

/**
 * Which rod is in hand when: a line for each rod along the clock, with beads where it is used, in a drawing {@value #WIDTH} wide.
 *
 * @param height of the drawing
 */
record DeckDrawing(double height, List<Cord> cords, List<DayDrawing.Tick> ticks) {

    static final double WIDTH = 1000;
    private static final double ROW = 40;
    private static final double TOP = 10;
    private static final double LETTER = 8;

    /** A rod's line. */
    record Cord(int number, double y, List<Bead> beads) {}

    /**
     * A stop on it.
     *
     * @param poor whether the rod only stands in for another
     */
    record Bead(double x, double width, double middle, String name, boolean poor, String label) {}

    static DeckDrawing of(EventData event, Plan plan, DeckList deck) {
        CompetitionDay day = event.day(plan.day());
        ZoneId zone = event.timeZone();
        double perMinute = WIDTH / Math.max(1, ChronoUnit.MINUTES.between(day.start(), day.checkIn()));
        List<Cord> cords = new ArrayList<>();
        for (DeckList.Row row : deck.rows()) {
            List<Bead> beads = new ArrayList<>();
            for (int d : row.stops()) {
                DeckList.Demand demand = deck.demands().get(d);
                if (!demand.isBackup()) {
                    beads.add(bead(demand, event, day.start(), zone, perMinute));
                }
            }
            cords.add(new Cord(cords.size() + 1, TOP + ROW * cords.size() + ROW / 2, beads));
        }
        List<DayDrawing.Tick> ticks = new ArrayList<>();
        for (Instant t = day.start().truncatedTo(ChronoUnit.HOURS);
                !t.isAfter(day.checkIn());
                t = t.plus(1, ChronoUnit.HOURS)) {
            if (!t.isBefore(day.start())) {
                ticks.add(new DayDrawing.Tick(
                        perMinute * ChronoUnit.MINUTES.between(day.start(), t), Dates.clock(t, zone)));
            }
        }
        return new DeckDrawing(TOP + ROW * cords.size() + 24, cords, ticks);
    }

    private static Bead bead(DeckList.Demand demand, EventData event, Instant start, ZoneId zone, double perMinute) {
        double x = perMinute * ChronoUnit.MINUTES.between(start, demand.stop().arrive());
        double width = Math.max(
                4,
                perMinute
                        * ChronoUnit.MINUTES.between(
                                demand.stop().arrive(), demand.stop().leave()));
        String spot = PlanWords.spot(demand.stop().spotId(), event);
        int letters = (int) (width / LETTER);
        String name = letters < 4 ? "" : spot.length() <= letters ? spot : spot.substring(0, letters - 1) + "…";
        return new Bead(
                x,
                width,
                x + width / 2,
                name,
                demand.share() < 1,
                spot + ", " + Dates.clock(demand.stop().arrive(), zone) + " to "
                        + Dates.clock(demand.stop().leave(), zone));
    }
}
