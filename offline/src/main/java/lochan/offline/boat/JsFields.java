package lochan.offline.boat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import lochan.offline.json.Fields;
import org.jspecify.annotations.Nullable;
import org.teavm.jso.JSBody;
import org.teavm.jso.JSObject;

/** A JavaScript object read by its fields; one that is missing is null. */
final class JsFields implements Fields {

    private final JSObject object;

    JsFields(JSObject object) {
        this.object = object;
    }

    @JSBody(
            params = {"object", "name"},
            script = "var v = object[name]; return v === undefined || v === null ? null : String(v);")
    private static native @Nullable String text(JSObject object, String name);

    @JSBody(
            params = {"object", "name"},
            script = "var v = object[name]; return v === undefined ? null : v;")
    private static native JSObject get(JSObject object, String name);

    @JSBody(
            params = {"object", "name"},
            script = "var v = object[name]; return v === undefined || v === null ? 0 : v.length;")
    private static native int length(JSObject object, String name);

    @JSBody(
            params = {"object", "name", "i"},
            script = "return object[name][i];")
    private static native JSObject at(JSObject object, String name, int i);

    @JSBody(
            params = {"object", "name", "i"},
            script = "return String(object[name][i]);")
    private static native String textAt(JSObject object, String name, int i);

    @JSBody(
            params = {"object"},
            script = "return Object.keys(object);")
    private static native String[] keys(JSObject object);

    @JSBody(
            params = {"object", "name"},
            script = "return Date.parse(object[name]);")
    private static native double millis(JSObject object, String name);

    @Override
    public boolean has(String name) {
        return text(object, name) != null;
    }

    @Override
    public @Nullable String text(String name) {
        return text(object, name);
    }

    @Override
    public @Nullable Double number(String name) {
        String text = text(name);
        return text == null ? null : Double.valueOf(text);
    }

    @Override
    public @Nullable Integer whole(String name) {
        Double number = number(name);
        return number == null ? null : number.intValue();
    }

    @Override
    public @Nullable Boolean truth(String name) {
        String text = text(name);
        return text == null ? null : Boolean.valueOf(text);
    }

    /** A time with its offset. */
    @Override
    public @Nullable Instant time(String name) {
        return has(name) ? Instant.ofEpochMilli((long) millis(object, name)) : null;
    }

    @Override
    public @Nullable JsFields object(String name) {
        return has(name) ? new JsFields(get(object, name)) : null;
    }

    @Override
    public <T> List<T> list(String name, Function<Fields, T> read) {
        List<T> list = new ArrayList<>();
        for (int i = 0; i < length(object, name); i++) {
            list.add(read.apply(new JsFields(at(object, name, i))));
        }
        return list;
    }

    @Override
    public List<String> texts(String name) {
        List<String> list = new ArrayList<>();
        for (int i = 0; i < length(object, name); i++) {
            list.add(textAt(object, name, i));
        }
        return list;
    }

    @JSBody(
            params = {"object", "name"},
            script = "var v = object[name]; return v === undefined || v === null ? [] : v;")
    private static native double[] numbers(JSObject object, String name);

    @JSBody(
            params = {"object", "name", "i"},
            script = "return object[name][i];")
    private static native double[] numbersAt(JSObject object, String name, int i);

    @Override
    public double[] numbers(String name) {
        return numbers(object, name);
    }

    @Override
    public List<double[]> lists(String name) {
        List<double[]> lists = new ArrayList<>();
        for (int i = 0; i < length(object, name); i++) {
            lists.add(numbersAt(object, name, i));
        }
        return lists;
    }

    @Override
    public Map<String, String> all() {
        Map<String, String> all = new LinkedHashMap<>();
        for (String key : keys(object)) {
            String text = text(key);
            if (text != null) {
                all.put(key, text);
            }
        }
        return all;
    }
}
