package lochan.core.lures.advice;

import lochan.core.Coded;

/** The rules of advice, each judged apart from the others; the weight is how much one of them can say, 1 being as much as a good reason does. */
public enum Rule implements Coded {
    DEPTH(
            1.5,
            "A lure has to come to the fish, or up to 2 ft above them; never below. In clear water they come up for what they see."),
    SUSPENDED(1.0, "Fish that hang off the bottom want something that falls or swims past them."),
    CLARITY(1.0, "Under a foot of visibility a lure must be felt, over four feet it is looked at; between, mix."),
    CLARITY_TREND(
            0.5, "The trend counts as much as the water: clearing water fishes like clear water, muddying like muddy."),
    TEMPERATURE(0.9, "Every lure has water it works in: cold water wants it slow and compact."),
    TEMPERATURE_TREND(0.4, "Warming water moves fish up and makes them chase, cooling water the reverse."),
    SEASON(0.7, "Where bass are in their year, and what they eat there."),
    MOOD(0.9, "Willing fish are searched for fast; unwilling ones are shown something small and slow."),
    WIND(0.7, "A light ripple helps moving lures; over 10 mph topwater and sight fishing are spoilt."),
    BANK(0.6, "Wind on a bank feeds it; topwater and sight fishing want slick water out of it."),
    LIGHT(0.7, "Low light for topwater and shallow water, deeper and slower as the sun climbs."),
    COVER(1.2, "It has to come through what is there without hanging up, or be kept above its top."),
    FORAGE(0.5, "Shaped and coloured like what they eat."),
    PRESSURE(0.6, "Crowded water wants longer casts and subtler lures."),
    FRONT(0.5, "After a front fish sit tight, deeper or in cover."),
    VERTICAL(1.2, "Fishing under the boat only in 12 ft of water or more.");

    private final double weight;
    private final String meaning;

    Rule(double weight, String meaning) {
        this.weight = weight;
        this.meaning = meaning;
    }

    @Override
    public String code() {
        return Coded.spelt(this);
    }

    /** Its weight before the angler changes it, 0 or more. */
    public double usualWeight() {
        return weight;
    }

    /** What anglers say. */
    public String meaning() {
        return meaning;
    }
}
