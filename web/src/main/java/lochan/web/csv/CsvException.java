package lochan.web.csv;

/** A file that is no table; the message says where and what was expected. */
public final class CsvException extends Exception {

    private static final long serialVersionUID = 1L;

    CsvException(String message) {
        super(message);
    }
}
