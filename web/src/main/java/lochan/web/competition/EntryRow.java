package lochan.web.competition;

import static lochan.web.db.Tables.COMPETITION_ENTRY;

import java.time.Instant;
import java.util.Locale;
import java.util.Map;
import lochan.core.competition.EntryFields;
import lochan.web.db.tables.records.CompetitionEntryRecord;
import org.jooq.Field;

/** An entry's fields in its row: the column of a field is called as the field is, but for those that share one or refer to a code. */
record EntryRow(CompetitionEntryRecord row) implements EntryFields.Source, EntryFields.Sink {

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

    private <T> T get(String name, Class<T> type) {
        return row.get(column(name, type));
    }

    private <T> void set(String name, Class<T> type, T value) {
        row.set(column(name, type), value);
    }

    @Override
    public String text(String name) {
        return get(name, String.class);
    }

    @Override
    public Double number(String name) {
        return get(name, Double.class);
    }

    @Override
    public Integer whole(String name) {
        return get(name, Integer.class);
    }

    @Override
    public Boolean truth(String name) {
        return get(name, Boolean.class);
    }

    @Override
    public Instant time(String name) {
        return get(name, Instant.class);
    }

    @Override
    public void put(String name, String value) {
        set(name, String.class, value);
    }

    @Override
    public void put(String name, Double value) {
        set(name, Double.class, value);
    }

    @Override
    public void put(String name, Integer value) {
        set(name, Integer.class, value);
    }

    @Override
    public void put(String name, Boolean value) {
        set(name, Boolean.class, value);
    }

    @Override
    public void put(String name, Instant value) {
        set(name, Instant.class, value);
    }
}
