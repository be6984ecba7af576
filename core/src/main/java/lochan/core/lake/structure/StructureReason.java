package lochan.core.lake.structure;

import lochan.core.ReasonCode;

/** Lists what makes a place worth a look. */
enum StructureReason implements ReasonCode {
    HUMP(2),
    SADDLE_TO_SHORE(1),
    SADDLE(2),
    POINT(3),
    LEDGE(2),
    BLUFF(1),
    FLAT(3),
    POCKET(2),
    STAGING(1);

    private final int arity;

    StructureReason() {
        this(0);
    }

    StructureReason(int arity) {
        this.arity = arity;
    }

    @Override
    public int arity() {
        return arity;
    }

    @Override
    public String file() {
        return "structure";
    }
}
