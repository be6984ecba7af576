package lochan.web.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import lochan.core.quantity.Units;
import lochan.offline.form.Form;
import lochan.web.shared.Views;
import lochan.wording.Wording;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** The first account, joining by a code, and signing in. Signing out is Spring Security's. */
@Controller
class AccountController {

    static final String DEMO_NAME = "demo";

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
    String setup(
            @RequestParam Map<String, String> fields,
            Model model,
            HttpServletRequest request,
            HttpServletResponse response) {
        if (!accounts.noneYet()) {
            return "redirect:/sign-in";
        }
        Form form = new Form(fields, Units.USUAL);
        String password = fields.getOrDefault("password", "");
        checkNew(form, password, fields.get("again"));
        if (access.setupCode() != null) {
            Optional<Duration> wait = throttle.attempt(null, request.getRemoteAddr());
            if (wait.isPresent()) {
                form.error("code", tooMany(wait.get()));
            } else if (!same(access.setupCode(), form.value("code"))) {
                form.fail("code", "account.setup-code-wrong");
            }
        }
        Optional<Angler> angler = form.ok() ? accounts.makeFirst(form.value("name"), password) : Optional.empty();
        if (angler.isEmpty()) {
            return form.ok() ? "redirect:/sign-in" : setupPage(form, model);
        }
        entrance.enter(angler.get(), request, response);
        return "redirect:/events";
    }

    record SetupView(Form form, boolean asksCode) {}

    private String setupPage(Form form, Model model) {
        return Views.show("account/setup", model, new SetupView(form, access.setupCode() != null));
    }

    private static boolean same(String a, String b) {
        return MessageDigest.isEqual(a.getBytes(StandardCharsets.UTF_8), b.getBytes(StandardCharsets.UTF_8));
    }

    record JoinView(Form form) {}

    @GetMapping("/join")
    String join(Model model) {
        return Views.show("account/join", model, new JoinView(new Form(Units.USUAL)));
    }

    @PostMapping("/join")
    String join(
            @RequestParam Map<String, String> fields,
            Model model,
            HttpServletRequest request,
            HttpServletResponse response) {
        Form form = new Form(fields, Units.USUAL);
        String password = fields.getOrDefault("password", "");
        checkNew(form, password, fields.get("again"));
        Optional<Duration> wait = throttle.attempt(null, request.getRemoteAddr());
        wait.ifPresent(w -> form.error("code", tooMany(w)));
        if (form.ok()) {
            Accounts.Registration joined = accounts.join(form.value("code"), form.value("name"), password);
            if (joined.angler() != null) {
                entrance.enter(joined.angler(), request, response);
                return "redirect:/events";
            }
            if (joined.refused() == Accounts.Refusal.NAME) {
                form.fail("name", "account.name-taken");
            } else {
                form.fail("code", "account.code-wrong");
            }
        }
        return Views.show("account/join", model, new JoinView(form));
    }

    /** Adds what is wrong with the name and the password of a new account. */
    private static void checkNew(Form form, String password, @Nullable String again) {
        Accounts.nameProblem(form.value("name")).ifPresent(p -> form.error("name", p));
        checkPassword(form, password, again);
    }

    static void checkPassword(Form form, String password, @Nullable String again) {
        Accounts.passwordProblem(password).ifPresent(p -> form.error("password", p));
        if (!password.equals(again)) {
            form.fail("again", "account.passwords-differ");
        }
    }

    @GetMapping("/sign-in")
    String signIn(Model model) {
        return signInPage(new Form(Units.USUAL), model);
    }

    @PostMapping("/sign-in")
    String signIn(
            @RequestParam Map<String, String> fields,
            Model model,
            HttpServletRequest request,
            HttpServletResponse response) {
        Form form = new Form(fields, Units.USUAL);
        Long account = accounts.find(form.value("name")).map(Angler::accountId).orElse(null);
        Optional<Duration> wait = throttle.attempt(account, request.getRemoteAddr());
        if (wait.isPresent()) {
            response.setStatus(HttpStatus.TOO_MANY_REQUESTS.value());
            form.error("password", tooMany(wait.get()));
            return signInPage(form, model);
        }
        Optional<Angler> angler = accounts.signIn(form.value("name"), fields.getOrDefault("password", ""));
        if (angler.isEmpty()) {
            response.setStatus(HttpStatus.UNAUTHORIZED.value());
            form.fail("password", "account.sign-in-wrong");
            return signInPage(form, model);
        }
        throttle.succeeded(angler.get().accountId(), request.getRemoteAddr());
        entrance.enter(angler.get(), request, response);
        return "redirect:/events";
    }

    /** Returns the message for an angler who has to wait. */
    static String tooMany(Duration wait) {
        long seconds = Math.max(1, wait.plusMillis(999).toSeconds());
        return Wording.text("account.too-many", seconds);
    }

    record SignInView(Form form, boolean demo) {}

    private String signInPage(Form form, Model model) {
        return Views.show("account/sign-in", model, new SignInView(form, access.demo()));
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
}
