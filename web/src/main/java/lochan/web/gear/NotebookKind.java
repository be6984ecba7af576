package lochan.web.gear;

/** What a notebook keeps that can be deleted and restored. */
public enum NotebookKind {
    FISH,
    TRIAL,
    CHANGE
}
