package lochan.web.practice;

import java.io.IOException;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.practice.Bite;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.PresentationTime;
import lochan.core.quantity.BadQuantityException;
import lochan.core.quantity.PositionText;
import lochan.core.quantity.QuantityText;
import lochan.core.quantity.Units;
import lochan.offline.form.Form;
import lochan.offline.practice.StopForm;
import lochan.web.csv.CsvTable;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/**
 * Practice as a table for spreadsheets: a row for each bite, or one for a stop that had none. Quantities stand as they were typed, with
 * their unit where that alone tells it, so that {@link LogImport} reads the same from it in any units.
 */
final class LogExport {

    /** Spreadsheets take a file for UTF-8 by it. */
    private static final char BYTE_ORDER_MARK = '\uFEFF';

    private LogExport() {}

    static void write(EventData event, Units units, Appendable out) throws IOException {
        out.append(BYTE_ORDER_MARK);
        List<LogColumn> columns = Stream.of(LogColumn.values())
                .filter(c -> c != LogColumn.MINUTES)
                .toList();
        CSVPrinter printer = CSVFormat.RFC4180.print(out);
        printer.printRecord(columns.stream().map(LogColumn::label).toList());
        for (PracticeStop stop : event.stops()) {
            if (stop.end() != null) {
                Form of = stop(stop, event, units);
                List<Form> bites = stop.bites().isEmpty()
                        ? List.of(new Form(units))
                        : stop.bites().stream().map(b -> bite(b, event, units)).toList();
                for (Form bite : bites) {
                    printer.printRecord(columns.stream()
                            .map(c -> CsvTable.guarded((c.of() == LogColumn.Of.STOP ? of : bite).value(c.code())))
                            .toList());
                }
            }
        }
        printer.flush();
    }

    private static Form stop(PracticeStop stop, EventData event, Units units) {
        Form form = StopForm.of(stop, event.timeZone(), units);
        Spot spot = event.spot(stop.spotId()).orElseThrow();
        List<String> fished = new ArrayList<>();
        for (PresentationTime p : stop.presentations()) {
            fished.add(event.presentation(p.presentationId()).orElseThrow().name()
                    + (p.minutes() == null
                            ? ""
                            : " "
                                    + BigDecimal.valueOf(p.minutes())
                                            .stripTrailingZeros()
                                            .toPlainString() + " min"));
        }
        explicit(
                form,
                LogColumn.WATER_TEMP,
                QuantityText::celsius,
                units.temperature().code());
        explicit(form, LogColumn.VISIBILITY, QuantityText::metres, units.depth().code());
        explicit(form, LogColumn.WIND, QuantityText::mps, units.speed().code());
        explicit(form, LogColumn.BAIT_DEPTH, QuantityText::metres, units.depth().code());
        return form.put(LogColumn.SPOT.code(), spot.name())
                .put(LogColumn.POSITION.code(), PositionText.typed(spot.position()))
                .put(LogColumn.SPOT_TYPE.code(), spot.spotType())
                .put(LogColumn.FISHED.code(), String.join("; ", fished));
    }

    private static Form bite(Bite bite, EventData event, Units units) {
        Form form = StopForm.of(bite, event.timeZone(), units);
        explicit(form, LogColumn.FISH_DEPTH, QuantityText::metres, units.depth().code());
        explicit(
                form, LogColumn.WATER_DEPTH, QuantityText::metres, units.depth().code());
        explicit(form, LogColumn.GUESSED, QuantityText::grams, weightCode(units));
        if (bite.size() == null) {
            form.put(LogColumn.HOW.code(), "");
        } else {
            form.put(LogColumn.SIZE.code(), sizes(form.value(LogColumn.SIZE.code()), units));
        }
        return form.put(
                LogColumn.PRESENTATION.code(),
                bite.presentationId() == null
                        ? ""
                        : event.presentation(bite.presentationId())
                                .orElseThrow()
                                .name());
    }

    private static String weightCode(Units units) {
        return units.weight() == Units.Weight.KG ? "kg" : "lb";
    }

    /** Both ends of a range, or the one size. */
    private static String sizes(String typed, Units units) {
        return Stream.of(typed.split(" to "))
                .map(t -> explicit(t, QuantityText::grams, units, weightCode(units)))
                .collect(Collectors.joining(" to "));
    }

    private static void explicit(Form form, LogColumn column, Form.Reader reader, String unit) {
        form.put(column.code(), explicit(form.value(column.code()), reader, form.units(), unit));
    }

    /** A quantity as typed, with its unit added where it would read otherwise in other units. */
    private static String explicit(String typed, Form.Reader reader, Units units, String unit) {
        String pounds = typed.replaceFirst("^(\\d+) ?[- ] ?(\\d+(?:\\.\\d+)?)$", "$1 lb $2 oz");
        return Stream.of(typed, pounds, typed + " " + unit)
                .filter(t -> !typed.isEmpty() && same(t, typed, reader, units))
                .findFirst()
                .orElse(typed);
    }

    private static boolean same(String text, String typed, Form.Reader reader, Units units) {
        try {
            double value = reader.read(typed, units);
            return Math.abs(reader.read(text, Units.USUAL) - value) < 1e-9
                    && Math.abs(reader.read(text, Units.METRIC) - value) < 1e-9;
        } catch (BadQuantityException e) {
            return false;
        }
    }
}
