package lochan.web.practice;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** The contents of the evening review; without a day of practice, its days alone. */
@RecordBuilder
record ReviewView(
        List<ReviewController.DayChoice> days,
        @Nullable String marks,
        @Nullable String dayTitle,
        @Nullable DayBand band,
        @Nullable List<ChangeRow> patterns,
        @Nullable List<ChangeRow> cells,
        @Nullable String ratesFor,
        @Nullable List<String> unsized,
        @Nullable List<ReviewController.GuessRow> guesses,
        @Nullable String bias) {}
