package lochan.web.demo;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import lochan.core.competition.Bag;
import lochan.core.competition.BagLog;
import lochan.core.competition.BagRow;
import lochan.core.competition.Decision;
import lochan.core.competition.Entry;
import lochan.core.competition.EntryCatchBuilder;
import lochan.core.event.Event;
import lochan.core.event.SpeciesRule;
import lochan.core.lake.Spot;
import lochan.core.plan.PlanStop;
import lochan.core.practice.Outcome;

/** Competition days as they went and were logged: what bit, what was typed wrong and corrected, what the weigh-in said. */
final class DemoDay {

    private static final double TYPED_WRONG = 0.05;
    private static final double LOGGED_TWICE = 0.03;
    private static final double DIES = 0.03;
    /** The difference between the weigh-in's scale and the angler's. */
    private static final double SCALES_SD = 0.008;

    private final Event event;
    private final DemoWorld world;
    private final String prefix;
    private final BagLog log;
    private final List<Entry> entries = new ArrayList<>();
    private Instant until = Instant.MAX;

    /** @param prefix of the entries' ids */
    DemoDay(Event event, DemoWorld world, String prefix) {
        this.event = event;
        this.world = world;
        this.prefix = prefix;
        this.log = new BagLog(event);
    }

    /** Nothing is logged from then on. */
    DemoDay until(Instant end) {
        until = end;
        return this;
    }

    List<Entry> log() {
        return List.copyOf(entries);
    }

    /** Fishes a plan, a few minutes late now and then. */
    DemoDay fished(List<PlanStop> stops) {
        for (PlanStop stop : stops) {
            Instant from = stop.arrive().plusSeconds((long) (240 * world.chance()));
            add(new Entry.Fishing(id(), from, stop.spotId(), stop.presentationId()));
            Spot spot = DemoWorld.spotOf(stop.spotId());
            for (DemoWorld.Bitten bitten :
                    world.bites(spot, stop.presentationId(), from, Duration.between(from, stop.leave()))) {
                logged(bitten, stop);
            }
        }
        add(new Entry.Fishing(id(), stops.getLast().leave(), null, null));
        return this;
    }

    /** Returns the weigh-in's result for the bag in the log. */
    DemoDay weighed(int day, LocalTime at) {
        Bag bag = log.bag(day);
        double grams = DemoWorld.ounces(bag.weighedGrams() * (1 + SCALES_SD * world.gaussian()));
        int dead = (int) bag.fish().stream().filter(f -> !f.alive()).count();
        add(new Entry.Official(
                id(),
                DemoWorld.at(event.days().get(day - 1).date(), at),
                bag.fish().isEmpty() ? 0.0 : grams,
                dead == 0 ? null : dead));
        return this;
    }

    private void logged(DemoWorld.Bitten bitten, PlanStop stop) {
        if (bitten.outcome() != Outcome.LANDED) {
            add(new Entry.Bite(id(), bitten.at(), stop.spotId(), stop.presentationId(), bitten.outcome()));
            return;
        }
        double least = event.rules()
                .rule(bitten.species())
                .map(SpeciesRule::minLengthMm)
                .orElseThrow();
        if (bitten.mm() < least) {
            double inches = DemoWorld.quarterInches(bitten);
            add(caught(bitten, stop, null, Math.min(inches * 25.4, least - 6.35), inches + " in"));
        } else if (world.chance() < TYPED_WRONG) {
            Entry.Catch wrong = weighed(bitten, stop, bitten.grams() + 16 * DemoWorld.OUNCE);
            add(wrong);
            add(new Entry.Correct(
                    id(),
                    bitten.at().plusSeconds(40),
                    wrong.id(),
                    DemoWorld.ounces(bitten.grams()),
                    null,
                    DemoWorld.typed(bitten.grams())));
        } else {
            Entry.Catch fish = weighed(bitten, stop, bitten.grams());
            add(fish);
            after(fish, bitten, stop);
        }
    }

    /** A fish logged twice, and one that dies in the livewell. */
    private void after(Entry.Catch fish, DemoWorld.Bitten bitten, PlanStop stop) {
        if (world.chance() < LOGGED_TWICE) {
            Entry.Catch again = weighed(bitten, stop, bitten.grams());
            if (add(again)) {
                add(new Entry.Void(id(), bitten.at().plusSeconds(30), again.id()));
            }
        }
        if (world.chance() < DIES && inBag(fish)) {
            add(new Entry.Died(id(), bitten.at().plusSeconds(1500), fish.id()));
        }
    }

    private boolean inBag(Entry.Catch fish) {
        return log.bag(event.dayOf(fish.at())).fish().stream().anyMatch(f -> f.id().equals(fish.id()));
    }

    private Entry.Catch weighed(DemoWorld.Bitten bitten, PlanStop stop, double grams) {
        return caught(bitten, stop, DemoWorld.ounces(grams), null, DemoWorld.typed(grams));
    }

    private Entry.Catch caught(DemoWorld.Bitten bitten, PlanStop stop, Double grams, Double mm, String typed) {
        return EntryCatchBuilder.builder()
                .id(id())
                .at(bitten.at())
                .species(bitten.species())
                .grams(grams)
                .mm(mm)
                .spotId(stop.spotId())
                .presentationId(stop.presentationId())
                .alive(true)
                .entered(typed)
                .build();
    }

    private String id() {
        return prefix + (entries.size() + 1);
    }

    /** Logs an entry where the log takes it, and puts the fish on the balance where it asks for that; false: it does not take it. */
    private boolean add(Entry entry) {
        if (!entry.at().isBefore(until) || log.append(entry).isPresent()) {
            return false;
        }
        entries.add(entry);
        BagRow row = log.rows().getLast();
        if (row.verdict() != null && row.verdict().decision() == Decision.BALANCE) {
            add(new Entry.Balance(
                    id(),
                    entry.at().plusSeconds(60),
                    row.verdict().first(),
                    row.verdict().second()));
        }
        return true;
    }
}
