package lochan.web.standings;

import lochan.core.eventdata.EventData;
import lochan.core.rate.Pattern;
import lochan.core.water.PlaceClass;

/** A pattern in words: "Swim jig on grass edge". */
public final class PatternWords {

    private PatternWords() { }

    public static String of(Pattern pattern, EventData event) {
        return event.presentation(pattern.presentationId()).orElseThrow().name() + " on " + PlaceClass.words(pattern.placeClass());
    }
}
