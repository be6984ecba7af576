package lochan.web.rankings;

import java.util.List;
import lochan.core.notebook.Notebook;
import lochan.web.modelling.BackgroundComputation;
import org.jspecify.annotations.Nullable;

/**
 * The contents of the Rankings page; job is null before anything is computed.
 *
 * @param marks of the map beside the list; null: the lake is not known, or nothing is ranked
 */
record RankingsView(
        BackgroundComputation.@Nullable State<RankingValues.Values> job,
        List<RankingLine> rows,
        List<PatternLine> patterns,
        String sort,
        Notebook.Priors priors,
        String view,
        RowFilter filter,
        RowFilter.Choices choices,
        @Nullable String marks) {}
