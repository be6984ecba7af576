package lochan.web.map;

import java.util.ArrayList;
import java.util.List;
import lochan.core.event.Position;
import lochan.core.lake.structure.Contours;
import lochan.core.lake.structure.DepthGrid;
import lochan.core.lake.structure.LakeDepths;
import lochan.core.quantity.Units;

/** Draws lines of depth: no finer than can be seen, and never more than a page can carry. */
final class DepthLines {

    /** Places of a line nearer together than this share of the drawing are left out, and lines that are no longer. */
    private static final double DETAIL = 1 / 1500.0;

    static final int MOST_CHARACTERS = 400_000;

    private final DepthGrid grid;
    private final LakeMap.Frame frame;
    private final Units.Depth unit;
    private final double[] values;

    private DepthLines(DepthGrid grid, LakeMap.Frame frame, Units.Depth unit) {
        this.grid = grid;
        this.frame = frame;
        this.unit = unit;
        this.values = Contours.values(grid);
    }

    /**
     * @param grid at most as fine as the drawing
     * @param size of the drawing, m
     */
    static List<LakeMap.Line> of(DepthGrid grid, LakeMap.Frame frame, double size, Units units) {
        DepthLines lines = new DepthLines(grid, frame, units.depth());
        for (double detail = size * DETAIL; ; detail *= 2) {
            List<LakeMap.Line> drawn = lines.drawn(detail, units);
            if (drawn.stream().mapToInt(l -> l.path().length()).sum() <= MOST_CHARACTERS) {
                return drawn;
            }
        }
    }

    private List<LakeMap.Line> drawn(double detail, Units units) {
        List<LakeMap.Line> lines = new ArrayList<>();
        for (double metres : LakeDepths.levels(grid, unit)) {
            StringBuilder path = new StringBuilder();
            for (double[][] line : Contours.of(values, grid.columns(), metres)) {
                append(path, line, detail);
            }
            if (!path.isEmpty()) {
                lines.add(new LakeMap.Line(path.toString(), units.depth(metres)));
            }
        }
        return lines;
    }

    private void append(StringBuilder path, double[][] line, double detail) {
        StringBuilder part = new StringBuilder();
        LakeMap.Point last = null;
        int places = 0;
        for (int i = 0; i < line.length; i++) {
            LakeMap.Point p = frame.point(new Position(grid.yAt(line[i][1]), grid.xAt(line[i][0])));
            if (last == null || i == line.length - 1 || Math.hypot(p.x() - last.x(), p.y() - last.y()) >= detail) {
                part.append(last == null ? 'M' : 'L').append(p.x()).append(' ').append(p.y());
                last = p;
                places++;
            }
        }
        // A ring whose every place is as near as its first is a dot.
        if (places > 2) {
            path.append(part);
        }
    }
}
