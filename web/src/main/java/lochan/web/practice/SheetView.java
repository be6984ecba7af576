package lochan.web.practice;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import lochan.core.practice.Hooks;
import lochan.offline.form.Form;
import org.jspecify.annotations.Nullable;

/** The contents of the page of an imported practice log, once a file is read. */
@RecordBuilder
record SheetView(
        Form form,
        LogImport.Result read,
        int rows,
        List<LogController.Column> columns,
        LogColumn[] choices,
        Hooks[] hooks,
        boolean asksOrder,
        boolean asksScale,
        List<String> problems,
        List<String> remarks,
        List<LogController.StopRow> stops,
        String summary,
        @Nullable String more,
        String save) {}
