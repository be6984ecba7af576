package lochan.web.csv;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import lochan.core.Intake;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * A table with a header line.
 *
 * @param header names of the columns; one without a name is called by its letter
 * @param rows   as many cells as the header has, stripped; rows with nothing in them are left out
 */
public record CsvTable(List<String> header, List<Row> rows) {

    public static final int MOST_BYTES = 4_000_000;
    private static final int MOST_ROWS = 20_000;
    private static final int MOST_COLUMNS = 100;
    private static final int LONGEST_CELL = 2000;
    private static final List<Character> DELIMITERS = List.of(',', ';', '\t');
    private static final String BYTE_ORDER_MARK = "\uFEFF";
    /** What spreadsheets take for a formula when a cell begins with it. */
    private static final String FORMULA_STARTS = "=+-@\t\r";

    /** @param number as a spreadsheet counts, the header being row 1 when it stands first */
    public record Row(int number, List<String> cells) {

        public Row {
            cells = List.copyOf(cells);
        }
    }

    public CsvTable {
        header = List.copyOf(header);
        rows = List.copyOf(rows);
    }

    /** @throws CsvException for what is no table of text, or one of more than 20 000 rows, 100 columns or 4 MB */
    public static CsvTable read(byte[] bytes) throws CsvException {
        if (bytes.length > MOST_BYTES) {
            throw new CsvException(
                    "it has " + bytes.length / 1_000_000 + " MB; at most 4 MB are read: split it by days or months");
        }
        String text = text(bytes);
        char delimiter = delimiter(text);
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setDelimiter(delimiter)
                .setIgnoreEmptyLines(false)
                .get();
        List<String> header = null;
        List<Row> rows = new ArrayList<>();
        try (CSVParser parser = CSVParser.parse(new StringReader(text), format)) {
            int number = 0;
            for (CSVRecord line : parser) {
                number++;
                List<String> cells = line.stream().map(CsvTable::plain).toList();
                if (cells.stream().allMatch(String::isEmpty)) {
                    continue;
                }
                if (header == null) {
                    header = header(cells);
                } else {
                    rows.add(row(number, cells, header.size()));
                }
                if (rows.size() > MOST_ROWS) {
                    throw new CsvException("it has more than 20 000 rows: split it by days or months");
                }
            }
        } catch (IOException | UncheckedIOException e) {
            throw new CsvException(
                    "a quotation mark is opened and never closed, or text follows one that is closed: save it as CSV again");
        }
        if (header == null || rows.isEmpty()) {
            throw new CsvException("a header line and at least one row were expected, and "
                    + (header == null ? "it is empty" : "only a header is there"));
        }
        return new CsvTable(header, rows);
    }

    private static Row row(int number, List<String> cells, int columns) throws CsvException {
        List<String> own = new ArrayList<>(cells);
        while (own.size() < columns) {
            own.add("");
        }
        if (own.stream().skip(columns).anyMatch(c -> !c.isEmpty())) {
            throw new CsvException("row " + number
                    + " has more cells than the header has names: is a text with a comma in it not quoted?");
        }
        if (own.stream().anyMatch(c -> c.length() > LONGEST_CELL)) {
            throw new CsvException(
                    "row " + number + " has a cell of more than 2000 characters: is a quotation mark missing?");
        }
        return new Row(number, own.subList(0, columns));
    }

    private static List<String> header(List<String> cells) throws CsvException {
        int last = cells.size();
        while (cells.get(last - 1).isEmpty()) {
            last--;
        }
        if (last > MOST_COLUMNS) {
            throw new CsvException("it has " + last + " columns: at most 100 are read");
        }
        List<String> names = new ArrayList<>();
        for (int i = 0; i < last; i++) {
            names.add(cells.get(i).isEmpty() ? "column " + (i + 1) : cells.get(i));
        }
        return names;
    }

    private static String text(byte[] bytes) throws CsvException {
        String text;
        try {
            text = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(bytes))
                    .toString();
        } catch (CharacterCodingException e) {
            text = new String(bytes, Charset.forName("windows-1252"));
        }
        if (text.indexOf('\0') >= 0) {
            throw new CsvException("this isn't a text file. Save the sheet as CSV");
        }
        return text.startsWith(BYTE_ORDER_MARK) ? text.substring(1) : text;
    }

    /** The one that cuts the header line into most cells. */
    private static char delimiter(String text) {
        String first = text.lines().filter(l -> !l.isBlank()).findFirst().orElse("");
        return DELIMITERS.stream()
                .max(Comparator.comparingLong(
                        d -> first.chars().filter(c -> c == d).count()))
                .orElseThrow();
    }

    /** A cell without the apostrophe that {@link #guarded} put before it. */
    private static String plain(String cell) {
        String text = Intake.text(cell);
        return (isGuarded(text) ? text.substring(1) : text).strip();
    }

    private static boolean isGuarded(String cell) {
        return cell.length() > 1 && cell.charAt(0) == '\'' && FORMULA_STARTS.indexOf(cell.charAt(1)) >= 0;
    }

    /** A text that no spreadsheet takes for a formula: an apostrophe goes before what would be one. */
    public static String guarded(String text) {
        boolean formula = !text.isEmpty() && FORMULA_STARTS.indexOf(text.charAt(0)) >= 0;
        return formula || isGuarded(text) ? "'" + text : text;
    }
}
