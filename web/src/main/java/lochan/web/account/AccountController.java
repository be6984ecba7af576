package lochan.web.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.Map;
import java.util.Optional;
import lochan.core.Coded;
import lochan.core.quantity.Units;
import lochan.page.form.Form;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The first account, signing in, and settings. Signing out is Spring Security's. */
@Controller
class AccountController {

    static final String DEMO_NAME = "demo";
    private static final String TOO_MANY = "Too many attempts. Wait a quarter of an hour and try again.";

    private final Accounts accounts;
    private final Access access;
    private final Entrance entrance;
    private final SignInThrottle throttle;

    AccountController(Accounts accounts, Access access, Entrance entrance, SignInThrottle throttle) {
        this.accounts = accounts;
        this.access = access;
        this.entrance = entrance;
        this.throttle = throttle;
    }

    @GetMapping("/setup")
    String setup(Model model) {
        if (!accounts.noneYet()) {
            return "redirect:/sign-in";
        }
        return setupPage(new Form(Units.USUAL), model);
    }

    @PostMapping("/setup")
    String setup(@RequestParam Map<String, String> fields, Model model, HttpServletRequest request, HttpServletResponse response) {
        if (!accounts.noneYet()) {
            return "redirect:/sign-in";
        }
        Form form = new Form(fields, Units.USUAL);
        String password = fields.getOrDefault("password", "");
        Accounts.nameProblem(form.value("name")).ifPresent(p -> form.error("name", p));
        Accounts.passwordProblem(password).ifPresent(p -> form.error("password", p));
        if (!password.equals(fields.get("again"))) {
            form.error("again", "The two passwords differ: type the same one twice.");
        }
        if (access.setupCode() != null) {
            if (!throttle.admits("setup", request.getRemoteAddr())) {
                form.error("code", TOO_MANY);
            } else if (!same(access.setupCode(), form.value("code"))) {
                form.error("code", "This is not the code: it stands in the terminal in which Lochan was started.");
            }
        }
        Optional<Angler> angler = form.ok() ? accounts.makeFirst(form.value("name"), password) : Optional.empty();
        if (angler.isEmpty()) {
            return form.ok() ? "redirect:/sign-in" : setupPage(form, model);
        }
        entrance.enter(angler.get(), request, response);
        return "redirect:/events";
    }

    private String setupPage(Form form, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("asksCode", access.setupCode() != null);
        return "account/setup";
    }

    private static boolean same(String a, String b) {
        return MessageDigest.isEqual(a.getBytes(StandardCharsets.UTF_8), b.getBytes(StandardCharsets.UTF_8));
    }

    @GetMapping("/sign-in")
    String signIn(Model model) {
        return signInPage(new Form(Units.USUAL), model);
    }

    @PostMapping("/sign-in")
    String signIn(@RequestParam Map<String, String> fields, Model model, HttpServletRequest request, HttpServletResponse response) {
        Form form = new Form(fields, Units.USUAL);
        if (!throttle.admits(form.value("name"), request.getRemoteAddr())) {
            response.setStatus(HttpStatus.TOO_MANY_REQUESTS.value());
            form.error("password", TOO_MANY);
            return signInPage(form, model);
        }
        Optional<Angler> angler = accounts.signIn(form.value("name"), fields.getOrDefault("password", ""));
        if (angler.isEmpty()) {
            response.setStatus(HttpStatus.UNAUTHORIZED.value());
            form.error("password", "Name and password do not belong together: check both and try again.");
            return signInPage(form, model);
        }
        throttle.clear(form.value("name"), request.getRemoteAddr());
        entrance.enter(angler.get(), request, response);
        return "redirect:/events";
    }

    private String signInPage(Form form, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("demo", access.demo());
        return "account/sign-in";
    }

    @PostMapping("/sign-in/demo")
    String demo(HttpServletRequest request, HttpServletResponse response) {
        Angler angler = access.demo() ? accounts.find(DEMO_NAME).orElse(null) : null;
        if (angler == null) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        entrance.enter(angler, request, response);
        return "redirect:/events";
    }

    @GetMapping("/settings")
    String settings(@AuthenticationPrincipal Angler angler, Model model) {
        model.addAttribute("chosen", accounts.units(angler.accountId()));
        return "account/settings";
    }

    @PostMapping("/settings")
    String settings(@AuthenticationPrincipal Angler angler, @RequestParam Map<String, String> fields, RedirectAttributes flash) {
        Units now = accounts.units(angler.accountId());
        accounts.setUnits(angler.accountId(), new Units(
                Coded.find(Units.Weight.class, fields.getOrDefault("weight", "")).orElse(now.weight()),
                Coded.find(Units.Length.class, fields.getOrDefault("length", "")).orElse(now.length()),
                Coded.find(Units.Depth.class, fields.getOrDefault("depth", "")).orElse(now.depth()),
                Coded.find(Units.Temperature.class, fields.getOrDefault("temperature", "")).orElse(now.temperature()),
                Coded.find(Units.Speed.class, fields.getOrDefault("speed", "")).orElse(now.speed())));
        flash.addFlashAttribute("notice", "Units saved.");
        return "redirect:/settings";
    }
}
