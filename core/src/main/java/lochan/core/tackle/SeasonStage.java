package lochan.core.tackle;

import lochan.core.Coded;

/** Where bass are in their year, told by water temperature and where it goes. */
public enum SeasonStage implements Coded {
    WINTER,
    PRE_SPAWN,
    SPAWN,
    POST_SPAWN,
    SUMMER,
    AUTUMN;

    @Override
    public String code() {
        return Coded.spelt(this);
    }
}
