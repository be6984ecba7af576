package lochan.core.notebook;

/**
 * What earlier seasons say of a presentation, carried into an event.
 *
 * @param presentationId of which
 * @param ratio          its bites per angler-hour over those of its events as a whole, shrunk towards 1; more than 0
 * @param anglerHours      angler-hours it rests on
 * @param bites        bites in them
 */
public record CarriedRate(String presentationId, double ratio, double anglerHours, int bites) {

    public CarriedRate {
        if (!(ratio > 0)) {
            throw new IllegalArgumentException("ratio is " + ratio + ", expected more than 0");
        }
    }
}
