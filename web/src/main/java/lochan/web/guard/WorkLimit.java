package lochan.web.guard;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import lochan.web.shared.BusyException;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.AsyncHandlerInterceptor;

/**
 * How many requests are answered at once, once their bodies are here: as many as there is memory for. Files are taken in one after another. Who
 * would wait too long is sent away with a word.
 */
@Component
class WorkLimit implements AsyncHandlerInterceptor {

    static final int AT_ONCE = 16;
    private static final int PATIENCE_SECONDS = 15;
    private static final String HELD = WorkLimit.class.getName();

    private final Semaphore room = new Semaphore(AT_ONCE, true);
    private final Semaphore files = new Semaphore(1, true);

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler)
            throws InterruptedException {
        // A page for what went wrong is always answered, and a stream of events that ends has given its room back.
        if (request.getDispatcherType() == DispatcherType.REQUEST) {
            Semaphore of = isFile(request) ? files : room;
            if (!of.tryAcquire(PATIENCE_SECONDS, TimeUnit.SECONDS)) {
                throw new BusyException();
            }
            request.setAttribute(HELD, of);
        }
        return true;
    }

    private static boolean isFile(HttpServletRequest request) {
        return request.getContentType() != null
                && request.getContentType().startsWith(MediaType.MULTIPART_FORM_DATA_VALUE);
    }

    @Override
    public void afterCompletion(
            HttpServletRequest request, HttpServletResponse response, Object handler, @Nullable Exception failure) {
        release(request);
    }

    /** A stream of events stays open for long and does nothing meanwhile. */
    @Override
    public void afterConcurrentHandlingStarted(
            HttpServletRequest request, HttpServletResponse response, Object handler) {
        release(request);
    }

    private void release(HttpServletRequest request) {
        if (request.getAttribute(HELD) instanceof Semaphore held) {
            request.removeAttribute(HELD);
            held.release();
        }
    }
}
