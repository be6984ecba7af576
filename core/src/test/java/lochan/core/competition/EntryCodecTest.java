package lochan.core.competition;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import lochan.core.event.Species;
import lochan.core.practice.LossWay;
import lochan.core.practice.Outcome;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class EntryCodecTest {

    private static final Instant AT = Instant.parse("2027-05-29T13:05:00Z");

    private static final List<Entry> ONE_OF_EACH = List.of(
            EntryCatchBuilder.builder()
                    .id("c")
                    .at(AT)
                    .species(Species.SMALLMOUTH)
                    .grams(1021.0)
                    .mm(402.0)
                    .spotId("s")
                    .presentationId("p")
                    .alive(false)
                    .tag("red")
                    .entered("2-4")
                    .build(),
            new Entry.Balance("b", AT, "c", "d"),
            new Entry.Died("d", AT, "c"),
            new Entry.Correct("r", AT, "c", 1000.0, null, "2-3"),
            new Entry.Void("v", AT, "c"),
            EntryOfficialBuilder.builder()
                    .id("o")
                    .at(AT)
                    .grams(6000.0)
                    .mm(1900.0)
                    .deadFish(1)
                    .lateMinutes(2.0)
                    .shortFish(3)
                    .overLimit(4)
                    .place(5)
                    .biggestGrams(2000.0)
                    .build(),
            new Entry.ScaleCheck("k", AT, 500, 505),
            new Entry.LivewellReading("w", AT, 24.5),
            new Entry.Bite("x", AT, "s", "p", Outcome.LOST, LossWay.PULLED_OUT),
            new Entry.Loss("y", AT, "x", LossWay.JUMPED_OFF),
            new Entry.Fishing("f", AT, "s", "p"));

    /** Holds the written fields by name. */
    private record Held(Map<String, Object> values) implements EntryFields.ByType {

        @Override
        public <T> T get(String name, Class<T> type) {
            return type.cast(values.get(name));
        }

        @Override
        public <T> void set(String name, Class<T> type, T value) {
            values.put(name, value);
        }
    }

    static Stream<Entry> oneOfEach() {
        return ONE_OF_EACH.stream();
    }

    @Test
    void everyKindOfEntryHasItsLine() {
        assertThat(ONE_OF_EACH).extracting(e -> (Object) e.getClass()).containsExactlyInAnyOrder((Object[])
                Entry.class.getPermittedSubclasses());
        assertThat(ONE_OF_EACH).extracting(e -> EntryCodec.kind(e).type()).doesNotHaveDuplicates();
    }

    @ParameterizedTest
    @MethodSource("oneOfEach")
    void whatWasWrittenIsReadAgain(Entry entry) {
        Held held = new Held(new HashMap<>());
        EntryCodec.write(entry, held);

        assertThat(held.values()).containsEntry("id", entry.id()).containsEntry("at", AT);
        assertThat(EntryCodec.read(EntryCodec.kind(entry).type(), held)).isEqualTo(entry);
    }

    @Test
    void aCatchIsAliveUnlessItIsSaid() {
        Entry read = EntryCodec.read("catch", new Held(new HashMap<>(Map.of("id", "c", "at", AT))));
        assertThat(((Entry.Catch) read).alive()).isTrue();
    }

    @Test
    void whatIsNoKindOrNoChoiceIsNamed() {
        assertThatThrownBy(() -> EntryCodec.read("fight", new Held(Map.of())))
                .hasMessageContaining("\"fight\"")
                .hasMessageContaining("expected one of catch, balance");
        assertThatThrownBy(() -> EntryCodec.read("bite", new Held(Map.of("id", "x", "at", AT, "outcome", "gone"))))
                .hasMessageContaining("The outcome of an entry is \"gone\"");
    }
}
