package lochan.offline.boat;

import java.time.Instant;
import java.util.List;
import java.util.function.Function;
import lochan.core.competition.EntryFields;
import org.jspecify.annotations.Nullable;
import org.teavm.jso.JSBody;
import org.teavm.jso.JSObject;

/** A JavaScript object while it is made. */
final class JsObject {

    private final JSObject object = make();

    @JSBody(script = "return {};")
    private static native JSObject make();

    @JSBody(script = "return [];")
    private static native JSObject makeList();

    @JSBody(
            params = {"object", "name", "value"},
            script = "object[name] = value;")
    private static native void set(JSObject object, String name, @Nullable String value);

    @JSBody(
            params = {"object", "name", "value"},
            script = "object[name] = value;")
    private static native void set(JSObject object, String name, double value);

    @JSBody(
            params = {"object", "name", "value"},
            script = "object[name] = value;")
    private static native void set(JSObject object, String name, boolean value);

    @JSBody(
            params = {"object", "name", "value"},
            script = "object[name] = value;")
    private static native void set(JSObject object, String name, @Nullable JSObject value);

    @JSBody(
            params = {"list", "value"},
            script = "list.push(value);")
    private static native void push(JSObject list, JSObject value);

    @JSBody(
            params = {"list", "value"},
            script = "list.push(value);")
    private static native void push(JSObject list, String value);

    @JSBody(
            params = {"list", "value"},
            script = "list.push(value);")
    private static native void push(JSObject list, double value);

    @JSBody(
            params = {"millis"},
            script = "return new Date(millis).toISOString();")
    static native String iso(double millis);

    JSObject done() {
        return object;
    }

    JsObject put(String name, @Nullable String value) {
        set(object, name, value);
        return this;
    }

    JsObject put(String name, @Nullable Double value) {
        if (value == null) {
            set(object, name, (String) null);
        } else {
            set(object, name, value.doubleValue());
        }
        return this;
    }

    JsObject put(String name, @Nullable Integer value) {
        return put(name, value == null ? null : Double.valueOf(value));
    }

    JsObject put(String name, boolean value) {
        set(object, name, value);
        return this;
    }

    JsObject put(String name, @Nullable JsObject value) {
        set(object, name, value == null ? null : value.done());
        return this;
    }

    /** Null: there is none. */
    JsObject put(String name, @Nullable Instant time) {
        return put(name, time == null ? null : iso((double) time.toEpochMilli()));
    }

    /** A list where there is one; null else. */
    <T> JsObject putSome(String name, @Nullable List<T> list, Function<T, JsObject> make) {
        set(object, name, list == null ? null : listOf(list, make));
        return this;
    }

    <T> JsObject put(String name, List<T> list, Function<T, JsObject> make) {
        set(object, name, listOf(list, make));
        return this;
    }

    static <T> JSObject listOf(List<T> list, Function<T, JsObject> make) {
        JSObject all = makeList();
        list.forEach(item -> push(all, make.apply(item).done()));
        return all;
    }

    JsObject put(String name, List<String> texts) {
        JSObject all = makeList();
        texts.forEach(text -> push(all, text));
        set(object, name, all);
        return this;
    }

    JsObject putNumbers(String name, List<Double> numbers) {
        JSObject all = makeList();
        numbers.forEach(n -> push(all, n.doubleValue()));
        set(object, name, all);
        return this;
    }

    /** Takes an entry's fields. */
    EntryFields.Sink sink() {
        return new EntryFields.Sink() {

            @Override
            public void put(String name, @Nullable String value) {
                JsObject.this.put(name, value);
            }

            @Override
            public void put(String name, @Nullable Double value) {
                JsObject.this.put(name, value);
            }

            @Override
            public void put(String name, @Nullable Integer value) {
                JsObject.this.put(name, value);
            }

            @Override
            public void put(String name, @Nullable Boolean value) {
                if (value != null) {
                    JsObject.this.put(name, value.booleanValue());
                }
            }

            @Override
            public void put(String name, @Nullable Instant value) {
                if (value != null) {
                    JsObject.this.put(name, iso((double) value.toEpochMilli()));
                }
            }
        };
    }
}
