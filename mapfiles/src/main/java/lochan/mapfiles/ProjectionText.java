package lochan.mapfiles;

import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Lets through the well-known text of a coordinate system that lakes are mapped in: known elements, known projections, numbers as their parameters.
 * Everything else, a grid file of a datum shift above all, would make the library open what the text names.
 */
final class ProjectionText {

    private static final int LONGEST = 20_000;
    private static final int DEEPEST = 20;

    private static final Set<String> ELEMENTS = Set.of(
            "PROJCS",
            "GEOGCS",
            "DATUM",
            "SPHEROID",
            "PRIMEM",
            "UNIT",
            "PROJECTION",
            "PARAMETER",
            "AXIS",
            "AUTHORITY",
            "TOWGS84",
            "COMPD_CS",
            "VERT_CS",
            "VERT_DATUM",
            "PROJCRS",
            "PROJECTEDCRS",
            "BASEGEOGCRS",
            "BASEGEODCRS",
            "GEOGCRS",
            "GEODCRS",
            "GEOGRAPHICCRS",
            "GEODETICCRS",
            "CONVERSION",
            "METHOD",
            "ELLIPSOID",
            "PRIMEMERIDIAN",
            "TRF",
            "CS",
            "ORDER",
            "MERIDIAN",
            "BEARING",
            "LENGTHUNIT",
            "ANGLEUNIT",
            "SCALEUNIT",
            "ID",
            "USAGE",
            "SCOPE",
            "AREA",
            "BBOX",
            "REMARK",
            "COMPOUNDCRS",
            "VERTCRS",
            "VDATUM",
            "ENSEMBLE",
            "MEMBER",
            "ENSEMBLEACCURACY");

    /** By their letters alone, in lower case. */
    private static final Set<String> PROJECTIONS = Set.of(
            "transversemercator",
            "transversemercatorsouthorientated",
            "gausskruger",
            "gausskrüger",
            "mercator",
            "mercator1sp",
            "mercator2sp",
            "mercatorvarianta",
            "mercatorvariantb",
            "mercatorauxiliarysphere",
            "popularvisualisationpseudomercator",
            "lambertconformalconic",
            "lambertconformalconic1sp",
            "lambertconformalconic2sp",
            "lambertconicconformal1sp",
            "lambertconicconformal2sp",
            "albers",
            "albersconicequalarea",
            "albersequalarea",
            "hotineobliquemercator",
            "hotineobliquemercatorvarianta",
            "hotineobliquemercatorvariantb",
            "hotineobliquemercatorazimuthcenter",
            "hotineobliquemercatorazimuthnaturalorigin",
            "rectifiedskeworthomorphiccenter",
            "rectifiedskeworthomorphicnaturalorigin",
            "obliquemercator",
            "stereographic",
            "obliquestereographic",
            "doublestereographic",
            "polarstereographic",
            "polarstereographicvarianta",
            "polarstereographicvariantb",
            "stereographicnorthpole",
            "stereographicsouthpole",
            "cassini",
            "cassinisoldner",
            "polyconic",
            "americanpolyconic",
            "newzealandmapgrid",
            "platecarree",
            "equidistantcylindrical",
            "equirectangular",
            "equidistantconic",
            "lambertazimuthalequalarea",
            "krovak");

    private static final Pattern TEXT = Pattern.compile("\"(?:[^\"]|\"\")*\"");
    private static final Pattern ELEMENT = Pattern.compile("([A-Za-z_0-9]+)\\s*[\\[(]");
    private static final Pattern NAMED =
            Pattern.compile("(?i)\\b(?:PROJECTION|METHOD)\\s*[\\[(]\\s*\"((?:[^\"]|\"\")*)\"");
    private static final Pattern PARAMETER =
            Pattern.compile("(?i)\\bPARAMETER\\s*[\\[(]\\s*\"(?:[^\"]|\"\")*\"\\s*,\\s*(.{0,40})");
    private static final Pattern NUMBER =
            Pattern.compile("[-+]?[0-9.]+(?:[eE][-+]?[0-9]+)?\\s*[,\\])].*", Pattern.DOTALL);

    private ProjectionText() {}

    /** @throws MapFileException when it is not of a kind that is read here */
    static void check(String text) throws MapFileException {
        if (text.length() > LONGEST) {
            throw refusal("it has more than " + LONGEST + " characters");
        }
        String bare = TEXT.matcher(text).replaceAll("");
        int depth = 0;
        for (int i = 0; i < bare.length(); i++) {
            char c = bare.charAt(i);
            depth += c == '[' || c == '(' ? 1 : c == ']' || c == ')' ? -1 : 0;
            if (depth > DEEPEST) {
                throw refusal("it is nested too deeply");
            }
        }
        Matcher elements = ELEMENT.matcher(bare);
        while (elements.find()) {
            if (!ELEMENTS.contains(elements.group(1).toUpperCase(Locale.ROOT))) {
                throw refusal("its element " + name(elements.group(1)) + " isn't read here");
            }
        }
        Matcher named = NAMED.matcher(text);
        while (named.find()) {
            String letters = named.group(1).toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}0-9]", "");
            if (!PROJECTIONS.contains(letters)) {
                throw refusal("its projection " + name(named.group(1)) + " isn't read here");
            }
        }
        Matcher parameters = PARAMETER.matcher(text);
        while (parameters.find()) {
            if (!NUMBER.matcher(parameters.group(1)).matches()) {
                throw refusal("one of its parameters isn't a number");
            }
        }
    }

    private static String name(String text) {
        String plain = text.replaceAll("[^\\p{L}0-9 _().-]", "");
        return "“" + plain.substring(0, Math.min(plain.length(), 60)) + "”";
    }

    private static MapFileException refusal(String why) {
        return new MapFileException("its coordinate system can't be read: " + why
                + ". Choose it by hand, or save the file in longitude and latitude (EPSG:4326)");
    }
}
