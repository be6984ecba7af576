package lochan.mapfiles;

import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.FutureTask;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.logging.Level;
import java.util.logging.Logger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import lochan.core.Intake;
import lochan.core.event.Position;
import org.apache.sis.referencing.CRS;
import org.apache.sis.referencing.CommonCRS;
import org.apache.sis.referencing.crs.AbstractCRS;
import org.apache.sis.referencing.cs.AxesConvention;
import org.jspecify.annotations.Nullable;
import org.opengis.referencing.crs.CoordinateReferenceSystem;
import org.opengis.referencing.crs.GeographicCRS;
import org.opengis.referencing.crs.ProjectedCRS;
import org.opengis.referencing.operation.MathTransform;
import org.opengis.referencing.operation.TransformException;
import org.opengis.util.FactoryException;

/**
 * Coordinates of a file, to longitude and latitude and back. What lies in NAD83, ETRS89 or GDA is taken as WGS84, from which it differs by less
 * than two metres; older datums are reported.
 */
public final class Projection {

    private static final Pattern CODE = Pattern.compile("(?i)\\s*(?:EPSG:\\s*)?(\\d{4,5})\\s*");
    private static final Pattern UTM = Pattern.compile("(?i)\\s*(?:UTM\\s*)?(\\d{1,2})\\s*([NS])\\s*");
    private static final int MOST_ZONES = 60;
    private static final int LONGEST_SHOWN = 120;
    private static final int PATIENCE_SECONDS = 20;
    private static final Logger LIBRARY = Logger.getLogger("org.apache.sis");
    private static final String WEB_MERCATOR = "EPSG:3857";
    private static final Pattern OLD_DATUM =
            Pattern.compile("(?i).*(1927|NAD27|ED50|European.*1950|OSGB|Tokyo|Pulkovo|AGD).*", Pattern.DOTALL);

    /** Longitude and latitude on WGS84. */
    public static final Projection DEGREES = new Projection("longitude and latitude", null, null, false);

    private static boolean isReady;

    private final String name;
    private final @Nullable Transforms transforms;
    private final boolean oldDatum;

    private record Transforms(MathTransform to, MathTransform from) {}

    private Projection(String name, @Nullable MathTransform to, @Nullable MathTransform from, boolean oldDatum) {
        this.name = name;
        this.transforms = to == null || from == null ? null : new Transforms(to, from);
        this.oldDatum = oldDatum;
    }

    /**
     * From well-known text, as stands in a .prj file.
     *
     * @throws MapFileException when it cannot be read
     */
    public static Projection ofText(String wkt) throws MapFileException {
        quiet();
        ProjectionText.check(wkt);
        try {
            ready();
            return inTime(() -> of(CRS.fromWKT(wkt)));
        } catch (FactoryException | IllegalArgumentException e) {
            throw new MapFileException("its coordinate system cannot be read (" + firstLine(e)
                    + "): choose it by hand, or save the file in longitude and latitude (EPSG:4326)");
        }
    }

    /** The library's first use takes seconds on a slow machine, so it does not count as time for a text. */
    private static synchronized void ready() throws FactoryException {
        if (!isReady) {
            of(CRS.fromWKT(CommonCRS.WGS84.universal(0, 0).toWKT()));
            isReady = true;
        }
    }

    private static Projection inTime(Callable<Projection> made) throws FactoryException, MapFileException {
        FutureTask<Projection> task = new FutureTask<>(made);
        Thread.ofVirtual().start(task);
        try {
            return task.get(PATIENCE_SECONDS, TimeUnit.SECONDS);
        } catch (ExecutionException e) {
            if (e.getCause() instanceof FactoryException f) {
                throw f;
            }
            throw new IllegalArgumentException(String.valueOf(e.getCause()), e);
        } catch (TimeoutException | InterruptedException e) {
            task.cancel(true);
            throw new MapFileException("its coordinate system takes too long to read. Choose it by hand");
        }
    }

    /** The library throws the problems that matter; logging its others would repeat the file's content. */
    static void quiet() {
        LIBRARY.setLevel(Level.OFF);
    }

    /**
     * From what people type: "UTM 15N", "EPSG:26915", "web mercator", "degrees", or the text of a .prj file.
     *
     * @throws MapFileException when it is none of these
     */
    public static Projection typed(String text) throws MapFileException {
        String plain = text.strip();
        if (plain.equalsIgnoreCase("degrees") || plain.matches("(?i)(EPSG:)?4326")) {
            return DEGREES;
        }
        if (plain.contains("[")) {
            return ofText(plain);
        }
        Matcher utm = UTM.matcher(plain);
        Matcher code = CODE.matcher(plain);
        String epsg;
        if (plain.equalsIgnoreCase("web mercator")) {
            epsg = WEB_MERCATOR;
        } else if (utm.matches() && isZone(utm.group(1))) {
            boolean north = utm.group(2).equalsIgnoreCase("N");
            epsg = "EPSG:" + (north ? "326" : "327") + String.format("%02d", Integer.parseInt(utm.group(1)));
        } else if (code.matches()) {
            epsg = "EPSG:" + code.group(1);
        } else {
            throw new MapFileException(
                    "“" + shown(text)
                            + "” isn't a coordinate system. Examples: UTM 15N, EPSG:26915, web mercator, degrees, or the text of the .prj file");
        }
        try {
            return of(CRS.forCode(epsg));
        } catch (FactoryException e) {
            throw new MapFileException(
                    epsg
                            + " is not known here: paste the text of the file's .prj, or save it in longitude and latitude (EPSG:4326)");
        }
    }

    private static boolean isZone(String number) {
        int zone = Integer.parseInt(number);
        return zone >= 1 && zone <= MOST_ZONES;
    }

    /** @throws FactoryException when there is no way to longitude and latitude */
    static Projection of(CoordinateReferenceSystem any) throws FactoryException {
        CoordinateReferenceSystem flat = CRS.getHorizontalComponent(any);
        if (flat == null) {
            throw new FactoryException("it has no place on the earth");
        }
        CoordinateReferenceSystem east = AbstractCRS.castOrCopy(flat).forConvention(AxesConvention.DISPLAY_ORIENTED);
        CoordinateReferenceSystem degrees =
                AbstractCRS.castOrCopy(geographic(east)).forConvention(AxesConvention.NORMALIZED);
        String name = shown(flat.getName().getCode());
        MathTransform to = CRS.findOperation(east, degrees, null).getMathTransform();
        if (to.isIdentity()) {
            return DEGREES;
        }
        MathTransform from = CRS.findOperation(degrees, east, null).getMathTransform();
        return new Projection(
                name,
                to,
                from,
                OLD_DATUM.matcher(degrees.getName().getCode() + " " + name).matches());
    }

    /** The longitude and latitude that coordinates were projected from: no shift between datums is made. */
    private static CoordinateReferenceSystem geographic(CoordinateReferenceSystem crs) {
        return switch (crs) {
            case ProjectedCRS p -> p.getBaseCRS();
            case GeographicCRS g -> g;
            default -> CommonCRS.WGS84.normalizedGeographic();
        };
    }

    private static String firstLine(Exception e) {
        return shown(String.valueOf(e.getMessage()).lines().findFirst().orElse(""));
    }

    /** A text of a file as it may stand in a sentence. */
    private static String shown(String text) {
        return Intake.line(text, LONGEST_SHOWN);
    }

    /** What they are called. */
    public String name() {
        return name;
    }

    /** Whether they rest on an old datum: places then lie up to some hundred metres off. */
    public boolean isOldDatum() {
        return oldDatum;
    }

    /** Whether they are longitude and latitude already. */
    public boolean isDegrees() {
        return transforms == null;
    }

    /** @throws MapFileException when the place is none on the earth */
    public Position position(double x, double y) throws MapFileException {
        double[] place = {x, y};
        try {
            if (transforms != null) {
                transforms.to().transform(place, 0, place, 0, 1);
            }
            return new Position(place[1], place[0]);
        } catch (TransformException | IllegalArgumentException e) {
            throw new MapFileException("a place at " + x + ", " + y + " lies outside what “" + name
                    + "” can hold: check the coordinate system");
        }
    }

    /** The coordinates of a place; NaN where they have none. */
    double[] coordinates(Position p) {
        double[] place = {p.lon(), p.lat()};
        if (transforms != null) {
            try {
                transforms.from().transform(place, 0, place, 0, 1);
            } catch (TransformException e) {
                return new double[] {Double.NaN, Double.NaN};
            }
        }
        return place;
    }
}
