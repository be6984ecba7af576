package lochan.web.tackle;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.lake.SpotType;
import lochan.core.lures.advice.LureAdvice;
import lochan.core.lures.advice.Situation;
import lochan.core.lures.deck.GearCheck;
import lochan.core.lures.rigging.RigPart;
import lochan.core.lures.rigging.Rigging;
import lochan.core.model.rate.BiteRates;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.GammaRate;
import lochan.core.model.rate.Pattern;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.practice.Presentation;
import lochan.core.quantity.Units;
import lochan.core.tackle.Lure;
import lochan.web.gear.DeckWords;
import lochan.wording.Wording;
import org.jspecify.annotations.Nullable;

/**
 * A lure in the ranking of advice: the rules' reasons, and apart from them what the angler's own practice says.
 *
 * @param score     of the rules
 * @param width     of its bar, 0 to 100
 * @param setup     the most telling of how it is rigged, in words
 * @param rigging   how it is rigged, part by part
 * @param own       what own practice says, in words
 * @param joined    bites an hour with both joined; "–" where the event does not know the presentation
 * @param times     by what the rules would multiply a rate never tried
 * @param tried     whether the pair was ever tried
 * @param inBoat    whether one is in the boat
 * @param ruledOut  whether something rules it out
 * @param known     whether the event has the presentation
 * @param banned    whether the rules do not let it on the deck
 */
@RecordBuilder
public record LureAdviceRow(
        String id,
        String name,
        String family,
        String score,
        double width,
        boolean against,
        List<ReasonLine> reasons,
        String setup,
        List<RigLine> rigging,
        String own,
        String joined,
        String times,
        boolean tried,
        boolean inBoat,
        boolean ruledOut,
        boolean banned,
        boolean known) {

    private static final double FULL_BAR = 6;
    /** Reasons that say less are left out. */
    private static final double LEAST_POINTS = 0.05;

    /**
     * A reason.
     *
     * @param points it adds, with its sign
     */
    public record ReasonLine(String points, boolean isFor, String words, String rule) {}

    /**
     * A part of how it is rigged.
     *
     * @param others what others do; null: they agree
     */
    public record RigLine(
            RigPart.Part part,
            String choice,
            String why,
            @Nullable String others) {

        static RigLine of(RigPart p, Units units) {
            return new RigLine(
                    p.part(),
                    Wording.text(p.choice(), units),
                    Wording.text(p.why(), units),
                    p.others() == null ? null : Wording.text(p.others(), units));
        }
    }

    /** The parts that say most about a setup. */
    private static final Set<RigPart.Part> TOLD_FIRST =
            Set.of(RigPart.Part.WEIGHT, RigPart.Part.HOOK, RigPart.Part.COLOUR);

    static LureAdviceRow of(
            LureAdvice advice, Situation at, Spot spot, int bin, FittedDayModel model, boolean inBoat, Units units) {
        Lure lure = advice.lure();
        Assumptions.LureAdvice a = model.assumptions().advice();
        List<RigLine> rigging =
                Rigging.of(lure, at, a).stream().map(p -> RigLine.of(p, units)).toList();
        EventData event = model.event();
        Optional<Presentation> known = event.presentation(lure.id());
        Cell cell = new Cell(spot.id(), lure.id());
        Pattern pattern = new Pattern(spot.spotType(), lure.id());
        boolean tried = model.slices().stream()
                .anyMatch(s -> s.presentationId().equals(lure.id())
                        && event.spot(s.spotId()).orElseThrow().spotType().equals(spot.spotType()));
        BiteRates rates = model.rates(bin);
        double suitability = advice.suitability(a);
        String joined = "–";
        if (known.isPresent()) {
            GammaRate rate = rates.rate(cell, pattern);
            boolean byAdvice = event.notebook().priors().byAdvice();
            joined = String.format(Locale.ROOT, "%.1f", tried || byAdvice ? rate.mean() : rate.mean() * suitability);
        }
        return LureAdviceRowBuilder.builder()
                .id(lure.id())
                .name(lure.name())
                .family(lure.family().words())
                .score(DeckWords.signed(advice.score()))
                .width(Math.min(100, 100 * Math.abs(advice.score()) / FULL_BAR))
                .against(advice.score() < 0)
                .reasons(advice.reasons().stream()
                        .filter(w -> Math.abs(w.points()) >= LEAST_POINTS)
                        .map(w -> new ReasonLine(
                                DeckWords.signed(w.points()),
                                w.points() > 0,
                                Wording.text(w.judgement().reason(), units),
                                w.judgement().rule().words()))
                        .toList())
                .setup(rigging.stream()
                        .filter(p -> TOLD_FIRST.contains(p.part()))
                        .map(RigLine::choice)
                        .collect(Collectors.joining(", ")))
                .rigging(rigging)
                .own(own(known.isPresent(), cell, pattern, rates, tried, spot))
                .joined(joined)
                .times(String.format(Locale.ROOT, "× %.2f", suitability))
                .tried(tried)
                .inBoat(inBoat)
                .ruledOut(advice.ruledOut())
                .banned(isBanned(event, lure))
                .known(known.isPresent())
                .build();
    }

    /** Whether the event's rules do not let a lure on the deck. */
    static boolean isBanned(EventData event, Lure lure) {
        Presentation presentation = event.presentation(lure.id())
                .orElse(new Presentation(lure.id(), lure.name(), lure.hooking().kind()));
        return !GearCheck.of(event.rules().gear(), List.of(presentation), List.of(lure), 0)
                .isEmpty();
    }

    private static String own(boolean known, Cell cell, Pattern pattern, BiteRates rates, boolean tried, Spot spot) {
        double here = rates.evidence(cell).anglerHours();
        if (!known || !tried) {
            return "never fished on a " + SpotType.words(spot.spotType());
        }
        GammaRate rate = rates.rate(cell, pattern);
        String interval = String.format(
                Locale.ROOT, "%.1f an hour (%.1f to %.1f)", rate.mean(), rate.quantile(0.1), rate.quantile(0.9));
        return here > 0.05
                ? String.format(Locale.ROOT, "%s, from %.1f h here", interval, here)
                : interval + ", from similar lures";
    }
}
