package lochan.web.rankings;

import java.util.List;
import lochan.core.notebook.Notebook;
import lochan.web.modelling.BackgroundComputation;
import org.jspecify.annotations.Nullable;

/** What the Rankings page shows; job is null before anything is computed. */
record RankingsView(
        BackgroundComputation.@Nullable State<RankingValues.Values> job,
        List<RankingLine> rows,
        List<PatternLine> patterns,
        String sort,
        Notebook.Priors priors,
        String view) {}
