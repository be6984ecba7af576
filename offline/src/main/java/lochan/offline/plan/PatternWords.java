package lochan.offline.plan;

import lochan.core.eventdata.EventData;
import lochan.core.lake.SpotType;
import lochan.core.model.rate.Pattern;

/** A pattern in words: "Swim jig on grass edge". */
public final class PatternWords {

    private PatternWords() {}

    public static String of(Pattern pattern, EventData event) {
        return event.presentation(pattern.presentationId()).orElseThrow().name() + " on "
                + SpotType.words(pattern.spotType());
    }
}
