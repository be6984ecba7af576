package lochan.web.lake;

import lochan.core.ReasonCode;

/** Lists why a map cannot be imported. */
public enum MapProblem implements ReasonCode {
    UNUSABLE(1),
    CELL_WIDTH(1),
    NO_WATER,
    LAKE_WIDTH(1),
    SOUNDINGS_OFF_LAKE,
    TOO_DEEP,
    OUTLINE_NEEDED,
    DEPTHS_OFF_LAKE,
    TOO_MANY_PIECES(1),
    NO_AREA,
    NO_LINE_DEPTH,
    TOO_MANY_RINGS(2),
    UPLOAD_GONE,
    IN_FILE(1);

    private final int arity;

    MapProblem() {
        this(0);
    }

    MapProblem(int arity) {
        this.arity = arity;
    }

    @Override
    public int arity() {
        return arity;
    }

    @Override
    public String file() {
        return "maps";
    }
}
