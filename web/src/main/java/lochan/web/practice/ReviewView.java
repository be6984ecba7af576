package lochan.web.practice;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;

/** What the evening review shows; without a day of practice, its days alone. */
@RecordBuilder
record ReviewView(
        List<ReviewController.DayChoice> days,
        String dayTitle,
        DayBand band,
        List<ChangeRow> patterns,
        List<ChangeRow> cells,
        String ratesFor,
        List<String> unsized,
        List<ReviewController.GuessRow> guesses,
        String bias) {}
