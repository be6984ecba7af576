package lochan.web.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import lochan.core.Coded;
import lochan.core.quantity.Units;
import lochan.offline.form.Form;
import lochan.web.shared.NotThereException;
import lochan.web.shared.Views;
import lochan.wording.Wording;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What an angler has chosen for all events, the account itself, and, for the administrator, other accounts. */
@Controller
class SettingsController {

    private static final Logger LOG = LoggerFactory.getLogger(SettingsController.class);
    private static final String BACK = "redirect:/settings";

    private final Accounts accounts;
    private final AccountSessions sessions;
    private final Access access;
    private final Entrance entrance;
    private final SignInThrottle throttle;

    SettingsController(
            Accounts accounts, AccountSessions sessions, Access access, Entrance entrance, SignInThrottle throttle) {
        this.accounts = accounts;
        this.sessions = sessions;
        this.access = access;
        this.entrance = entrance;
        this.throttle = throttle;
    }

    /**
     * The settings page.
     *
     * @param own         whether the account has a password of its owner's: the demo's has none
     * @param devicesWords how many devices are signed in
     * @param names       of all accounts, for the administrator; empty for others
     * @param withdraw    what takes the unused codes back, in words; null where there are none
     */
    record SettingsView(
            Form form,
            boolean own,
            String devicesWords,
            boolean othersSignedIn,
            List<String> names,
            @Nullable String withdraw) {}

    @GetMapping("/settings")
    String settings(@AuthenticationPrincipal Angler angler, Model model) {
        return page(angler, new Form(Units.USUAL), model);
    }

    private String page(Angler angler, Form form, Model model) {
        boolean administrator = accounts.isAdministrator(angler.accountId());
        int devices = sessions.count(angler);
        SettingsView view = new SettingsView(
                form,
                isOwn(angler),
                Wording.text(devices == 1 ? "account.one-device" : "account.devices", devices),
                devices > 1,
                administrator ? accounts.all().stream().map(Angler::name).toList() : List.of(),
                administrator
                        ? withdraw(accounts.invitations(angler.accountId()).size())
                        : null);
        return Views.show("account/settings", model, view);
    }

    private static @Nullable String withdraw(int codes) {
        return codes == 0 ? null : Wording.text("account.withdraw", codes);
    }

    private boolean isOwn(Angler angler) {
        return !(access.demo() && angler.name().equals(AccountController.DEMO_NAME));
    }

    @PostMapping("/settings")
    String settings(
            @AuthenticationPrincipal Angler angler,
            @RequestParam Map<String, String> fields,
            RedirectAttributes flash) {
        Units now = accounts.units(angler.accountId());
        accounts.setUnits(
                angler.accountId(),
                new Units(
                        Coded.find(Units.Weight.class, fields.getOrDefault("weight", ""))
                                .orElse(now.weight()),
                        Coded.find(Units.Length.class, fields.getOrDefault("length", ""))
                                .orElse(now.length()),
                        Coded.find(Units.Depth.class, fields.getOrDefault("depth", ""))
                                .orElse(now.depth()),
                        Coded.find(Units.Temperature.class, fields.getOrDefault("temperature", ""))
                                .orElse(now.temperature()),
                        Coded.find(Units.Speed.class, fields.getOrDefault("speed", ""))
                                .orElse(now.speed())));
        flash.addFlashAttribute("notice", "Units saved.");
        return BACK;
    }

    @PostMapping("/settings/password")
    String password(
            @AuthenticationPrincipal Angler angler,
            @RequestParam Map<String, String> fields,
            Model model,
            HttpServletRequest request,
            HttpServletResponse response,
            RedirectAttributes flash) {
        Form form = new Form(Units.USUAL);
        AccountController.checkPassword(form, fields.getOrDefault("password", ""), fields.get("again"));
        if (form.ok()) {
            checkCurrent(angler, "current", fields.getOrDefault("current", ""), request, form);
        }
        if (!form.ok()) {
            return page(angler, form, model);
        }
        accounts.setPassword(angler.accountId(), fields.get("password"));
        int ended = sessions.end(angler, request.getSession().getId());
        entrance.renew(request, response);
        flash.addFlashAttribute(
                "notice", Wording.text(ended == 0 ? "account.password-changed" : "account.password-changed-others"));
        return BACK;
    }

    /** Adds what is wrong with a password that has to be the account's own. */
    private void checkCurrent(Angler angler, String field, String password, HttpServletRequest request, Form form) {
        if (!isOwn(angler)) {
            form.fail(field, "account.demo-has-no-password");
            return;
        }
        Optional<Duration> wait = throttle.attempt(angler.accountId(), request.getRemoteAddr());
        if (wait.isPresent()) {
            form.error(field, AccountController.tooMany(wait.get()));
        } else if (accounts.isPassword(angler.accountId(), password)) {
            throttle.succeeded(angler.accountId(), request.getRemoteAddr());
        } else {
            form.fail(field, "account.password-wrong");
        }
    }

    @PostMapping("/settings/sessions/end")
    String endOthers(@AuthenticationPrincipal Angler angler, HttpServletRequest request, RedirectAttributes flash) {
        int ended = sessions.end(angler, request.getSession().getId());
        flash.addFlashAttribute(
                "notice", Wording.text(ended == 0 ? "account.no-other-device" : "account.others-signed-out", ended));
        return BACK;
    }

    @PostMapping("/settings/account/delete")
    String delete(
            @AuthenticationPrincipal Angler angler,
            @RequestParam Map<String, String> fields,
            Model model,
            HttpServletRequest request) {
        Form form = new Form(Units.USUAL);
        checkCurrent(angler, "deletePassword", fields.getOrDefault("deletePassword", ""), request, form);
        if (!form.ok()) {
            return page(angler, form, model);
        }
        accounts.delete(angler.accountId());
        sessions.end(angler, null);
        request.getSession().invalidate();
        if (accounts.noneYet()) {
            LOG.warn("The page that makes the first account asks for this code: {}", access.setupCode());
        }
        return "redirect:/sign-in";
    }

    @PostMapping("/settings/accounts/invite")
    String invite(@AuthenticationPrincipal Angler angler, RedirectAttributes flash) {
        needAdministrator(angler);
        flash.addFlashAttribute("invitation", accounts.invite(angler.accountId()));
        return BACK + "#accounts";
    }

    @PostMapping("/settings/accounts/withdraw")
    String withdraw(@AuthenticationPrincipal Angler angler, RedirectAttributes flash) {
        needAdministrator(angler);
        accounts.withdrawInvitations(angler.accountId());
        flash.addFlashAttribute("notice", "Codes withdrawn.");
        return BACK;
    }

    private void needAdministrator(Angler angler) {
        if (!accounts.isAdministrator(angler.accountId())) {
            throw new NotThereException();
        }
    }
}
