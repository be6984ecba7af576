package lochan.web.competition;

import static lochan.web.db.Tables.COMPETITION_ENTRY;

import java.util.Locale;
import java.util.Map;
import lochan.core.competition.EntryFields;
import lochan.web.db.tables.records.CompetitionEntryRecord;
import org.jooq.Field;
import org.jspecify.annotations.Nullable;

/** An entry's fields in its row: the column of a field is called as the field is, but for those that share one or refer to a code. */
record EntryRow(CompetitionEntryRecord row) implements EntryFields.ByType {

    private static final Map<String, Field<?>> COLUMNS = Map.of(
            "id",
            COMPETITION_ENTRY.CODE,
            "spot",
            COMPETITION_ENTRY.SPOT_CODE,
            "presentation",
            COMPETITION_ENTRY.PRESENTATION_CODE,
            "catch",
            COMPETITION_ENTRY.TARGET,
            "entry",
            COMPETITION_ENTRY.TARGET,
            "readGrams",
            COMPETITION_ENTRY.GRAMS);

    private static <T> Field<T> column(String name, Class<T> type) {
        Field<?> other = COLUMNS.get(name);
        Field<?> column = other != null
                ? other
                : COMPETITION_ENTRY.field(name.replaceAll("[A-Z]", "_$0").toLowerCase(Locale.ROOT));
        if (column == null || column.getType() != type) {
            throw new IllegalStateException(
                    "The field \"" + name + "\" of an entry has no column of " + type + ": add it by a migration.");
        }
        return cast(column);
    }

    @SuppressWarnings("unchecked")
    private static <T> Field<T> cast(Field<?> column) {
        return (Field<T>) column;
    }

    @Override
    public <T> T get(String name, Class<T> type) {
        return row.get(column(name, type));
    }

    @Override
    public <T> void set(String name, Class<T> type, @Nullable T value) {
        row.set(column(name, type), value);
    }
}
