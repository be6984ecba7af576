package lochan.core.notebook;

/**
 * What earlier seasons say of a presentation, carried into an event.
 *
 * @param presentationId of which
 * @param ratio          its strikes per line-hour over those of its events as a whole, shrunk towards 1; more than 0
 * @param lineHours      line-hours it rests on
 * @param strikes        strikes in them
 */
public record CarriedRate(String presentationId, double ratio, double lineHours, int strikes) {

    public CarriedRate {
        if (!(ratio > 0)) {
            throw new IllegalArgumentException("ratio is " + ratio + ", expected more than 0");
        }
    }
}
