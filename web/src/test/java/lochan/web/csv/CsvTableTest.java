package lochan.web.csv;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.LocalTime;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class CsvTableTest {

    @ParameterizedTest
    @ValueSource(strings = {",", ";", "\t"})
    void cellsAreCutWhereTheHeaderIsAndRowsCountAsASpreadsheetDoes(String d) throws CsvException {
        CsvTable table = CsvTable.read(
                ("\uFEFFDate" + d + "Spot" + d + d + "\r\n\r\n 6/3/2027 " + d + "\"Osk\n\"\"Point\"\"\"\r\n" + "\r\n")
                        .getBytes(StandardCharsets.UTF_8));

        assertThat(table.header()).containsExactly("Date", "Spot");
        assertThat(table.rows().getFirst()).isEqualTo(new CsvTable.Row(3, List.of("6/3/2027", "Osk\n\"Point\"")));
    }

    @Test
    void oldEncodingsAndGuardedCellsRead() throws CsvException {
        CsvTable table = CsvTable.read("Spot,Note\nÉtang,'=1+1\n".getBytes(Charset.forName("windows-1252")));
        assertThat(table.rows().getFirst().cells()).containsExactly("Étang", "=1+1");
        assertThat(List.of("=1+1", "+1", "@x", "'=1", "3-4", "it's"))
                .extracting(CsvTable::guarded)
                .containsExactly("'=1+1", "'+1", "'@x", "''=1", "3-4", "it's");
    }

    @Test
    void whatIsNoTableIsRefusedInWords() {
        refused("PK\u0003\u0004\0\0", "isn't a text file");
        refused("", "it is empty");
        refused("Date,Spot\n", "only a header");
        refused("Date,Spot\n1,\"two\n", "quotation mark");
        refused("Date,Spot\n1,2,3\n", "row 2 has more cells");
        refused("Date\n" + "x".repeat(2001), "row 2 has a cell of more than 2000");
        refused(",".repeat(100) + "x\n1", "101 columns");
        refused("x\n" + "1\n".repeat(20_001), "20 000 rows");
        refused("x".repeat(4_000_001), "4 MB");
    }

    private static void refused(String text, String why) {
        assertThatThrownBy(() -> CsvTable.read(text.getBytes(StandardCharsets.UTF_8)))
                .isInstanceOf(CsvException.class)
                .hasMessageContaining(why);
    }

    @ParameterizedTest
    @CsvSource({
        "05:30, 05:30",
        "5:30, 05:30",
        "5:30 am, 05:30",
        "12:05 PM, 12:05",
        "12:05 a.m., 00:05",
        "5pm, 17:00",
        "0530, 05:30",
        "14.20, 14:20",
        "7:00:30, 07:00:30"
    })
    void timesReadAsPeopleWriteThem(String cell, LocalTime time) {
        assertThat(CellText.time(cell)).contains(time);
    }

    @ParameterizedTest
    @ValueSource(strings = {"25:00", "13:00 pm", "0 am", "noon", "5", "12:60", ""})
    void whatIsNoTimeIsNotGuessed(String cell) {
        assertThat(CellText.time(cell)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "2027-06-03, true, 2027-06-03",
        "2027/6/3, true, 2027-06-03",
        "6/3/2027, true, 2027-06-03",
        "6/3/27, false, 2027-03-06",
        "3.6.2027, true, 2027-06-03",
        "13/3/2027, true,",
        "3 June, true,"
    })
    void datesReadInTheOrderTold(String cell, boolean monthFirst, String date) {
        assertThat(CellText.date(cell, monthFirst).map(Object::toString).orElse(null))
                .isEqualTo(date);
    }
}
