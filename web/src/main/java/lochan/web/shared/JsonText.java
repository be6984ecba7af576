package lochan.web.shared;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Small lists and maps of text as they are kept in a column. */
public final class JsonText {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    private JsonText() {}

    public static String of(List<String> list) {
        return JSON.writeValueAsString(list);
    }

    public static String of(Map<String, String> map) {
        return JSON.writeValueAsString(new TreeMap<>(map));
    }

    public static List<String> list(String json) {
        return JSON.readValue(json, new TypeReference<List<String>>() {});
    }

    public static Map<String, String> map(String json) {
        return JSON.readValue(json, new TypeReference<Map<String, String>>() {});
    }
}
