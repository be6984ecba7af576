package lochan.web.map;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import lochan.core.eventdata.EventData;
import lochan.core.lake.structure.Candidate;
import lochan.offline.form.Form;
import lochan.web.lake.DepthSources;
import org.jspecify.annotations.Nullable;

/**
 * The contents of the Map page; without a lake, the ways to import one.
 *
 * @param marks       what lies on the map, as the browser takes it
 * @param deepestWhole greatest depth in the angler's unit, rounded up; 0 without depths
 * @param suggestions structure that is no spot yet; null: no depths are known
 * @param level       how high the water stands, in words; null: nobody read it
 * @param source      file of the map's depths; null: none
 * @param missing     file that the event's file named for its depths, which are not here; null: none
 */
@RecordBuilder
record MapView(
        EventData data,
        double straightRunFactor,
        Candidate.Kind[] kinds,
        Form form,
        @Nullable String marks,
        double deepestWhole,
        @Nullable List<Suggestion> suggestions,
        int hiddenCount,
        @Nullable String level,
        List<LevelLine> levels,
        String today,
        @Nullable String source,
        @Nullable String missing,
        List<SurveyLine> surveys,
        List<String> broken) {

    /** A reading of the lake's level. */
    record LevelLine(String date, String words) {}

    /** The soundings of one file. */
    record SurveyLine(String code, String words) {

        static SurveyLine of(DepthSources.Survey s) {
            return new SurveyLine(
                    s.code(),
                    s.fileName() + ": " + s.count() + " soundings, " + s.leftOut() + " left out"
                            + (s.takenOn() == null ? "" : ", " + s.takenOn()));
        }
    }
}
