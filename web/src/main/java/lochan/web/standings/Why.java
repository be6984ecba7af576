package lochan.web.standings;

import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import lochan.core.eventdata.EventData;
import lochan.core.planning.TwoHourValue;
import lochan.core.quantity.Units;
import lochan.core.rate.Cell;
import lochan.core.rate.Pattern;
import lochan.core.rate.StrikeRates;
import lochan.core.scenario.DayModel;
import lochan.core.standings.StandingsRow;
import lochan.core.water.Spot;
import lochan.core.water.Stock;
import lochan.web.page.Dates;

/** Why a row of the standings stands where it does, in plain sentences. */
final class Why {

    /** Differences smaller than this share are not spoken of. */
    private static final double MATTERS = 0.15;
    private static final double CROWDED = 0.3;

    private Why() { }

    /**
     * @param found null: not reckoned yet
     * @param lakeKeeperGrams weight of a keeper of the lake as a whole
     */
    static List<String> of(StandingsRow row, DayModel model, int bin, StandingsWorth.Found found, double lakeKeeperGrams, Units units) {
        List<String> sentences = new ArrayList<>();
        if (found != null) {
            sentences.addAll(worth(row, model, found, units));
        }
        sentences.add(rate(row, model.rates(bin)));
        sentences.add(size(row, lakeKeeperGrams, units));
        sentences.add(evidence(row));
        sentences.addAll(leaning(row.cell(), model, bin));
        sentences.addAll(place(model.spot(row.cell().spotId()), model));
        return sentences;
    }

    private static List<String> worth(StandingsRow row, DayModel model, StandingsWorth.Found found, Units units) {
        Cell cell = row.cell();
        TwoHourValue.TwoHours two = found.twoHours().get(cell);
        double worth = found.worth().ofCell(cell);
        boolean used = found.worth().plan().stream().anyMatch(s -> Cell.of(s).equals(cell));
        ZoneId zone = model.event().brief().timeZone();
        String start = Dates.clock(two.start(), zone);
        String risk = two.chanceOfNone() < 0.005 ? "under 1" : String.valueOf(Math.round(100 * two.chanceOfNone()));
        return List.of("Two hours here are worth " + units.weight(two.grams()) + " from an empty well, best from " + start + "; on " + risk
                + " of 100 days they bring no keeper.", used ? lost(worth, units) : gained(worth, units));
    }

    private static String lost(double worth, Units units) {
        return worth >= StandingsLine.LEAST_GRAMS ? "The best plan uses it: without it the day loses " + StandingsLine.worth(worth, units) + ", the rest being planned anew."
                : "The best plan uses it, but another place would do as well.";
    }

    private static String gained(double worth, Units units) {
        return worth >= StandingsLine.LEAST_GRAMS ? "The best plan leaves it out; putting it in would gain " + StandingsLine.worth(worth, units) + "."
                : "The best plan leaves it out: nothing it adds to the best five fish pays for its time and run.";
    }

    private static String rate(StandingsRow row, StrikeRates rates) {
        double lake = rates.lakeMean();
        double here = row.strikes().mean();
        String numbers = one(here) + " strikes an hour against " + one(lake) + " on the lake as a whole";
        return Math.abs(here - lake) < MATTERS * lake ? "It bites as the lake does at this hour: " + numbers + "."
                : "It bites " + (here > lake ? "more" : "less") + " often than the lake at this hour: " + numbers + "."
                + (row.strikes().p90() > 3 * Math.max(0.1, row.strikes().p10()) ? " That is little known yet: 8 times in 10 it lies between " + one(row.strikes().p10()) + " and "
                + one(row.strikes().p90()) + "." : "");
    }

    private static String size(StandingsRow row, double lakeGrams, Units units) {
        double grams = row.keepers().meanGrams();
        String legal = Math.round(100 * row.keepers().legalShare()) + "% of landed fish are keepers";
        return row.isSizeUnknown() ? "Not one fish here has a size: a keeper is taken to weigh " + units.weight(grams) + " as its kind of place has them; " + legal + "."
                : Math.abs(grams - lakeGrams) < MATTERS / 2 * lakeGrams ? "A keeper weighs " + units.weight(grams) + ", about what the lake's do; " + legal + "."
                : "A keeper weighs " + units.weight(grams) + ", " + (grams > lakeGrams ? "more" : "less") + " than the lake's " + units.weight(lakeGrams) + "; " + legal + ".";
    }

    private static String evidence(StandingsRow row) {
        return row.isUntried() ? "It was never tried here: it stands on what other places of its kind gave."
                : "Behind it are " + row.strikesSeen() + (row.strikesSeen() == 1 ? " strike" : " strikes") + " in " + row.stops() + (row.stops() == 1 ? " stop" : " stops") + ", "
                + one(row.effectiveHours()) + " effective hours, the last " + (row.daysSince() == 1 ? "the day" : row.daysSince() + " days") + " before.";
    }

    /** What besides this event's practice leans its rate. */
    private static List<String> leaning(Cell cell, DayModel model, int bin) {
        List<String> sentences = new ArrayList<>();
        Pattern pattern = model.pattern(cell);
        boolean tried = model.slices().stream().anyMatch(s -> model.pattern(new Cell(s.spotId(), s.presentationId())).equals(pattern));
        double suitability = tried ? 1 : model.suitability(pattern, bin);
        if (suitability != 1) {
            sentences.add(String.format(Locale.ROOT, "The rules of advice lean it by × %.2f, since it was never tried on such a place.", suitability));
        }
        if (model.event().notebook().leanings().byHistory()) {
            model.event().notebook().carried().stream().filter(c -> c.presentationId().equals(cell.presentationId())).findFirst()
                    .ifPresent(c -> sentences.add(String.format(Locale.ROOT, "Your other seasons lean its presentation towards × %.2f of the lake, as one line-hour.", c.ratio())));
        }
        return sentences;
    }

    private static List<String> place(Spot spot, DayModel model) {
        List<String> sentences = new ArrayList<>();
        EventData event = model.event();
        if (event.offLimits(spot)) {
            sentences.add("Your brief puts it off limits.");
        }
        if (spot.stock() != Stock.GENERAL) {
            sentences.add(spot.stock() == Stock.SCHOOL ? "It holds a school, so it lasts: each strike leaves 97% of the rate." : "It is one piece of cover, soon fished out: each strike leaves 70% of the rate.");
        }
        if (spot.crowdRisk() >= CROWDED) {
            sentences.add("Another boat is there first on " + Math.round(100 * spot.crowdRisk()) + " of 100 days.");
        }
        if (model.isBlown(spot, model.bins().getFirst().start(), model.bins().getLast().end())) {
            sentences.add("At some hour the forecast wind is more than your boat takes there.");
        }
        return sentences;
    }

    private static String one(double number) {
        return String.format(Locale.ROOT, "%.1f", number);
    }
}
