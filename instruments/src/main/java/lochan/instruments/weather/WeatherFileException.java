package lochan.instruments.weather;

/** Weather that cannot be read, with what is wrong and what was expected. */
public final class WeatherFileException extends Exception {

    private static final long serialVersionUID = 1L;

    public WeatherFileException(String message) {
        super(message);
    }
}
