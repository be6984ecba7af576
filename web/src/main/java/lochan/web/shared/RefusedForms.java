package lochan.web.shared;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import lochan.offline.form.Form;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.AsyncHandlerInterceptor;
import org.springframework.web.servlet.ModelAndView;

/** Answers 422 to a form that comes back with errors, unless it has a status of its own: nothing of it was kept. */
@Component
class RefusedForms implements AsyncHandlerInterceptor {

    @Override
    public void postHandle(
            HttpServletRequest request,
            HttpServletResponse response,
            Object handler,
            @Nullable ModelAndView modelAndView) {
        if (HttpMethod.POST.matches(request.getMethod())
                && response.getStatus() == HttpStatus.OK.value()
                && modelAndView != null
                && modelAndView.getModel().values().stream().anyMatch(v -> v instanceof Form form && !form.ok())) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
        }
    }
}
