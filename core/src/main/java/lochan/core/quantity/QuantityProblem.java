package lochan.core.quantity;

import lochan.core.ReasonCode;

/** Lists why a quantity cannot be read. Each shows what was typed first. */
public enum QuantityProblem implements ReasonCode {
    WEIGHT(1),
    WEIGHT_METRIC(1),
    LURE_WEIGHT(1),
    LURE_WEIGHT_METRIC(1),
    LINE_STRENGTH(1),
    LINE_STRENGTH_METRIC(1),
    ROD_LENGTH(1),
    ROD_LENGTH_METRIC(1),
    LENGTH(1),
    DEPTH(1),
    TEMPERATURE(1),
    SPEED(1),
    SIZE_ZERO(1),
    OUNCES(2),
    DIRECTION(1),
    PLACE_FROM_BOAT(1),
    TOO_FAR_FROM_BOAT(2),
    POSITION(1),
    MINUTES_RANGE(1),
    LATITUDE_RANGE(1),
    UTM_RANGE(1),
    MGRS(1);

    private final int arity;

    QuantityProblem() {
        this(0);
    }

    QuantityProblem(int arity) {
        this.arity = arity;
    }

    @Override
    public int arity() {
        return arity;
    }

    BadQuantityException of(String typed) {
        return new BadQuantityException(with(typed.strip()));
    }

    @Override
    public String file() {
        return "quantities";
    }
}
