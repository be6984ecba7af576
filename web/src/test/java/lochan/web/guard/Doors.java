package lochan.web.guard;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import lochan.web.testing.RunningApp;
import org.springframework.core.MethodParameter;
import org.springframework.core.StandardReflectionParameterNameDiscoverer;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Everything that takes something in for an event, as the application itself knows it. */
final class Doors {

    /** Ends the event, or the account's stay. */
    private static final List<String> LEAVING = List.of("/events/{eventId}/delete", "/events/{eventId}/restore");

    /** What a door takes. */
    enum Takes {
        FILE,
        JSON,
        FORM
    }

    /** @param fields of its form, as its handler names them */
    record Door(String path, Takes takes, List<String> fields) {}

    private Doors() {}

    static List<Door> of(RunningApp app) {
        List<Door> doors = new ArrayList<>();
        app.bean(RequestMappingHandlerMapping.class).getHandlerMethods().forEach((info, handler) -> {
            if (info.getMethodsCondition().getMethods().contains(RequestMethod.POST)) {
                info.getPatternValues().stream()
                        .filter(p -> p.contains("{eventId}") && !LEAVING.contains(p))
                        .forEach(p -> doors.add(door(p, handler)));
            }
        });
        doors.sort(Comparator.comparing(Door::path));
        return doors;
    }

    private static Door door(String path, HandlerMethod handler) {
        MethodParameter[] parameters = handler.getMethodParameters();
        if (Arrays.stream(parameters).anyMatch(p -> p.getParameterType() == MultipartFile.class)) {
            return new Door(path, Takes.FILE, List.of());
        }
        if (Arrays.stream(parameters).anyMatch(p -> p.hasParameterAnnotation(RequestBody.class))) {
            return new Door(path, Takes.JSON, List.of());
        }
        return new Door(
                path,
                Takes.FORM,
                Arrays.stream(parameters)
                        .filter(p -> p.hasParameterAnnotation(RequestParam.class)
                                && !Map.class.isAssignableFrom(p.getParameterType()))
                        .map(Doors::name)
                        .toList());
    }

    private static String name(MethodParameter parameter) {
        parameter.initParameterNameDiscovery(new StandardReflectionParameterNameDiscoverer());
        return String.valueOf(parameter.getParameterName());
    }
}
