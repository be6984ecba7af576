package lochan.web.rankings;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.lake.Stock;
import lochan.core.model.evidence.Bin;
import lochan.core.model.evidence.FishStanding;
import lochan.core.model.ranking.RankingRow;
import lochan.core.model.rate.BiteRates;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.Pattern;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.planning.valuation.TwoHourValue;
import lochan.core.quantity.Count;
import lochan.core.quantity.Units;
import lochan.offline.plan.BankWords;
import lochan.offline.practice.ConditionWords;
import lochan.web.shared.Dates;
import org.jspecify.annotations.Nullable;

/** Why a row of the rankings stands where it does, in plain sentences. */
final class Why {

    /** Differences smaller than this share are not spoken of. */
    private static final double MATTERS = 0.15;

    private static final double CROWDED = 0.3;

    private Why() {}

    /**
     * @param found null: not computed yet
     * @param lakeKeeperGrams weight of a keeper of the lake as a whole
     */
    static List<String> of(
            RankingRow row,
            FittedDayModel model,
            int bin,
            RankingValues.@Nullable Values found,
            double lakeKeeperGrams,
            Units units) {
        List<String> sentences = new ArrayList<>();
        if (found != null) {
            sentences.addAll(value(row, model, found, units));
        }
        sentences.add(rate(row, model.rates(bin)));
        sentences.add(size(row, lakeKeeperGrams, units));
        sentences.add(evidence(row));
        sentences.addAll(priors(row.cell(), model, bin));
        sentences.addAll(hour(model.spot(row.cell().spotId()), model, bin, units));
        sentences.addAll(place(model.spot(row.cell().spotId()), model));
        return sentences;
    }

    private static List<String> value(RankingRow row, FittedDayModel model, RankingValues.Values found, Units units) {
        Cell cell = row.cell();
        TwoHourValue.TwoHours two = found.twoHours(cell);
        String start = Dates.clock(two.start(), model.event().timeZone());
        String risk = two.chanceOfNone() < 0.005 ? "under 1" : String.valueOf(Math.round(100 * two.chanceOfNone()));
        String alone = "Two hours here bring " + units.weight(two.grams()) + " from an empty bag, best from " + start
                + "; on " + risk + " of 100 days no keeper.";
        if (found.added() == null) {
            return List.of(alone);
        }
        double adds = found.added().ofCell(cell);
        return List.of(
                alone,
                found.added().plan().stream().anyMatch(s -> Cell.of(s).equals(cell))
                        ? lost(adds, units)
                        : gained(adds, units));
    }

    private static String lost(double adds, Units units) {
        return adds >= RankingLine.LEAST_GRAMS
                ? "The best plan uses it: without it the plan loses " + RankingLine.added(adds, units) + "."
                : "The best plan uses it, but another spot would do as well.";
    }

    private static String gained(double adds, Units units) {
        return adds >= RankingLine.LEAST_GRAMS
                ? "The best plan leaves it out; adding it would gain " + RankingLine.added(adds, units) + "."
                : "The best plan leaves it out: it does not pay for its time and run.";
    }

    private static String rate(RankingRow row, BiteRates rates) {
        double lake = rates.lakeMean();
        double here = row.bites().mean();
        String numbers = one(here) + " an hour against " + one(lake);
        return Math.abs(here - lake) < MATTERS * lake
                ? "About as many bites as on the lake as a whole at this hour: " + numbers + "."
                : (here > lake ? "More" : "Fewer") + " bites than on the lake as a whole at this hour: " + numbers + "."
                        + (row.bites().p90() > 3 * Math.max(0.1, row.bites().p10())
                                ? " Little is known: likely " + one(row.bites().p10()) + " to "
                                        + one(row.bites().p90()) + "."
                                : "");
    }

    private static String size(RankingRow row, double lakeGrams, Units units) {
        double grams = row.keepers().meanGrams();
        String legal = Math.round(100 * row.keepers().legalShare()) + "% of landed fish are keepers";
        if (row.isSizeUnknown()) {
            return "No size known here: a keeper is taken to weigh " + units.weight(grams) + " as on similar spots; "
                    + legal + ".";
        }
        if (Math.abs(grams - lakeGrams) < MATTERS / 2 * lakeGrams) {
            return "A keeper weighs " + units.weight(grams) + ", about what the lake's do; " + legal + ".";
        }
        return "A keeper weighs " + units.weight(grams) + ", " + (grams > lakeGrams ? "more" : "less")
                + " than the lake's " + units.weight(lakeGrams) + "; " + legal + ".";
    }

    private static String evidence(RankingRow row) {
        return row.isUntried() || row.daysSince() == null
                ? "Never fished here: the estimate comes from similar spots."
                : "Evidence: " + Count.of(row.bitesSeen(), "bite") + " in " + Count.of(row.stops(), "stop") + ", "
                        + one(row.effectiveHours())
                        + " effective hours, last fished "
                        + (row.daysSince() == 1 ? "the day" : row.daysSince() + " days")
                        + " before.";
    }

    /** What besides this event's practice is in its rate. */
    private static List<String> priors(Cell cell, FittedDayModel model, int bin) {
        List<String> sentences = new ArrayList<>();
        Pattern pattern = model.pattern(cell);
        boolean tried = model.slices().stream().anyMatch(s -> model.pattern(new Cell(s.spotId(), s.presentationId()))
                .equals(pattern));
        double suitability = tried ? 1 : model.suitability(pattern, bin);
        if (suitability != 1) {
            sentences.add(String.format(
                    Locale.ROOT,
                    "Lure advice multiplies it by %.2f, since it was never fished on this spot type.",
                    suitability));
        }
        if (model.event().notebook().priors().byHistory()) {
            model.event().notebook().carried().stream()
                    .filter(c -> c.presentationId().equals(cell.presentationId()))
                    .findFirst()
                    .ifPresent(c -> sentences.add(String.format(
                            Locale.ROOT,
                            "Your other seasons pull it towards × %.2f of the lake, as one angler-hour.",
                            c.ratio())));
        }
        return sentences;
    }

    /** Returns the effect of the hour: how fish were standing, and wind on the bank. */
    private static List<String> hour(Spot spot, FittedDayModel model, int bin, Units units) {
        List<String> sentences = new ArrayList<>();
        Bin of = model.bins().get(bin);
        double factor = model.standing(spot.id(), bin);
        if (factor != 1) {
            FishStanding.TimedSighting seen =
                    model.fish().seen(spot.id(), of.start()).orElseThrow();
            sentences.add(String.format(
                    Locale.ROOT,
                    "Seen %s: %s. That makes the rate of a visit × %.2f.",
                    Dates.dayAndClock(seen.at(), model.event().timeZone()),
                    ConditionWords.of(seen.fish(), units),
                    factor));
        }
        String bank = BankWords.of(
                spot, model.event(), of.start(), of.end(), model.assumptions().bank());
        if (bank != null) {
            sentences.add(bank + ".");
        }
        return sentences;
    }

    private static String lowers(double left) {
        return "each bite lowers the rate by " + Math.round(100 * (1 - left)) + "%.";
    }

    private static List<String> place(Spot spot, FittedDayModel model) {
        List<String> sentences = new ArrayList<>();
        EventData event = model.event();
        if (event.offLimits(spot)) {
            sentences.add("Off limits by your rules.");
        }
        if (spot.stock() != Stock.GENERAL) {
            sentences.add(
                    spot.stock() == Stock.SCHOOL
                            ? "A school: "
                                    + lowers(model.assumptions().depletion().school())
                            : "One piece of cover: "
                                    + lowers(model.assumptions().depletion().single()));
        }
        if (spot.crowdRisk() >= CROWDED) {
            sentences.add("Another boat is there first on " + Math.round(100 * spot.crowdRisk()) + " of 100 days.");
        }
        if (model.isBlown(
                spot, model.bins().getFirst().start(), model.bins().getLast().end())) {
            sentences.add("At some hour the forecast wind is above your boat's limit there.");
        }
        return sentences;
    }

    private static String one(double number) {
        return String.format(Locale.ROOT, "%.1f", number);
    }
}
