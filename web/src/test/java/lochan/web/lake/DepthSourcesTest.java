package lochan.web.lake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import lochan.core.event.Position;
import lochan.core.lake.Lake;
import lochan.core.lake.depth.BadGridException;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.lake.sounding.Sounding;
import lochan.core.lake.sounding.SoundingGrid;
import lochan.core.lake.sounding.SoundingRules;
import lochan.web.TestServers;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventKey;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(TestServers.class)
class DepthSourcesTest {

    private static final Lake LAKE = new Lake(
            List.of(new Lake.Body(
                    List.of(
                            new Position(42.60, -116.93),
                            new Position(42.60, -116.90),
                            new Position(42.62, -116.90),
                            new Position(42.62, -116.93)),
                    List.of())),
            List.of(),
            List.of());

    /** Depths are computed before the event is held: what others wrote meanwhile is in them all the same. */
    @Test
    void whatIsKeptAtTheSameTimeIsAllInTheDepths(RunningApp app) throws BadGridException {
        RunningApp.Account account = app.account();
        String event = SampleEvents.event(account.visitor(), "Sounded at once");
        long id = app.bean(Accounts.class).find(account.name()).orElseThrow().accountId();
        EventKey key = new EventKey(id, Long.parseLong(event.replaceAll("\\D", "")));
        app.bean(Lakes.class).putLake(key, LAKE);
        DepthSources sources = app.bean(DepthSources.class);

        List<CompletableFuture<Void>> kept = IntStream.range(0, 4)
                .mapToObj(i -> CompletableFuture.runAsync(() -> keep(sources, key, i)))
                .toList();
        kept.forEach(CompletableFuture::join);
        holdsAll(app, key, 4);
        sources.deleteSurvey(key, "survey-2");
        holdsAll(app, key, 3);
        sources.restoreSurvey(key, "survey-2");
        holdsAll(app, key, 4);
    }

    private static void keep(DepthSources sources, EventKey key, int strip) {
        Random random = new Random(strip);
        List<Sounding> soundings = new ArrayList<>();
        for (int i = 0; i < 200; i++) {
            soundings.add(new Sounding(
                    new Position(
                            42.603 + 0.004 * strip + 0.001 * random.nextDouble(),
                            -116.925 + 0.02 * random.nextDouble()),
                    3 + strip));
        }
        try {
            sources.keepSurvey(
                    key,
                    new DepthSources.Survey("survey-" + strip, strip + ".csv", null, soundings.size(), 0),
                    soundings);
        } catch (BadGridException e) {
            throw new IllegalStateException(e);
        }
    }

    private static void holdsAll(RunningApp app, EventKey key, int files) throws BadGridException {
        List<Sounding> soundings = app.bean(SoundingRepository.class).soundings(key);
        assertThat(soundings).hasSize(200 * files);
        DepthGrid wanted = SoundingGrid.of(LAKE, soundings, null, SoundingRules.USUAL);
        DepthGrid stored = app.bean(DepthRepository.class)
                .grid(key, DepthRepository.Layer.ALL)
                .orElseThrow();
        assertThat(stored.columns()).isEqualTo(wanted.columns());
        assertThat(stored.rows()).isEqualTo(wanted.rows());
        assertThat(IntStream.range(0, wanted.size())
                        .filter(i -> stored.isLand(i) != wanted.isLand(i)
                                || (!wanted.isLand(i) && Math.abs(stored.depth(i) - wanted.depth(i)) > 0.03)))
                .isEmpty();
    }
}
