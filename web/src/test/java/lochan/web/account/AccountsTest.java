package lochan.web.account;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

@ExtendWith(TestServers.class)
class AccountsTest {

    private static final String PASSWORD = "four words in a row";

    @Test
    void theFirstAccountIsMadeOnAPageThatAsksForTheTerminalsCodeWhenOthersCanReachIt() {
        ByteArrayOutputStream terminal = new ByteArrayOutputStream();
        try (RunningApp app = TestServers.start(false, "0.0.0.0", terminal)) {
            Visitor first = app.visitor();
            assertThat(first.get("/events").path()).isEqualTo("/setup");
            Matcher code = Pattern.compile("code: (\\d{8})").matcher(terminal.toString());
            assertThat(code.find()).isTrue();

            Visitor.Answer wrong = first.post("/setup", "name", "Ines", "password", PASSWORD, "again", "another one", "code", "1");
            assertThat(wrong.texts(".error")).hasSize(2).anyMatch(e -> e.contains("differ")).anyMatch(e -> e.contains("not the code"));
            assertThat(wrong.value("name")).as("nothing typed is lost").isEqualTo("Ines");
            assertThat(first.post("/setup", "name", "Ines", "password", "short", "again", "short", "code", code.group(1)).texts(".error"))
                    .containsExactly("The password has 5 characters: expected 10 to 200; a few words in a row are easy to keep in mind.");

            assertThat(first.post("/setup", "name", "Ines", "password", PASSWORD, "again", PASSWORD, "code", code.group(1)).path()).isEqualTo("/events");
            assertThat(app.visitor().get("/setup").path()).as("there is no second first account").isEqualTo("/sign-in");
            assertThat(app.visitor().get("/sign-in").text()).doesNotContain("demo");
        }
    }

    @Test
    void signsInAndOut(RunningApp app) {
        Visitor angler = app.angler();
        assertThat(angler.get("/events").status()).isEqualTo(200);

        assertThat(angler.post("/sign-out").path()).isEqualTo("/sign-in");
        assertThat(angler.get("/events").path()).isEqualTo("/sign-in");
    }

    @Test
    void theSessionIsAnotherOneAfterSigningIn(RunningApp app) {
        app.bean(Accounts.class).findOrMake("fixed", PASSWORD);
        Visitor visitor = app.visitor();
        String before = visitor.get("/sign-in").header("set-cookie");
        Visitor.Answer in = visitor.post("/sign-in", "name", "fixed", "password", PASSWORD);

        assertThat(in.path()).isEqualTo("/events");
        assertThat(visitor.get("/events").status()).isEqualTo(200);
        assertThat(before).contains("HttpOnly").contains("SameSite=Lax");
    }

    @Test
    void passwordsAreHashedWithArgon2(RunningApp app) {
        app.bean(Accounts.class).findOrMake("hashed", PASSWORD);

        assertThat(app.bean(AccountRepository.class).find("hashed")).get()
                .satisfies(a -> assertThat(a.passwordHash()).startsWith("$argon2id$").doesNotContain(PASSWORD));
    }

    @Test
    void attemptsAreThrottledByNameAndARightOneClearsThem(RunningApp app) {
        app.bean(Accounts.class).findOrMake("tried", PASSWORD);
        Visitor visitor = app.visitor();
        for (int i = 0; i < SignInThrottle.PER_NAME; i++) {
            assertThat(visitor.post("/sign-in", "name", "tried", "password", "wrong " + i).status()).isEqualTo(401);
        }

        assertThat(visitor.post("/sign-in", "name", "TRIED ", "password", PASSWORD).status()).isEqualTo(429);
        assertThat(visitor.post("/sign-in", "name", "nobody", "password", PASSWORD).texts(".error")).singleElement().asString()
                .contains("do not belong together");
    }

    @ParameterizedTest
    @ValueSource(strings = {"/sign-in", "/events/import", "/settings"})
    void aPostWithoutItsTokenIsRefused(String path, RunningApp app) {
        assertThat(app.angler().postAsIs(path, Map.of("name", "x"), "").status()).isEqualTo(403);
    }

    @Test
    void everyAnswerForbidsWhatIsNotOurs(RunningApp app) {
        Visitor.Answer page = app.visitor().get("/sign-in");

        assertThat(page.header("Content-Security-Policy")).contains("default-src 'none'").contains("script-src 'self'")
                .doesNotContain("unsafe").doesNotContain("http");
        assertThat(page.header("X-Content-Type-Options")).isEqualTo("nosniff");
        assertThat(page.header("X-Frame-Options")).isEqualTo("DENY");
        assertThat(page.page().select("script:not([src]), style, [style], [onclick]")).isEmpty();
        assertThat(page.page().select("[src], link[href]").stream().map(e -> e.attr(e.hasAttr("src") ? "src" : "href"))).allMatch(a -> a.startsWith("/"));
    }

    @Test
    void behindTlsTheSessionsCookieIsSecure(RunningApp app) throws Exception {
        var request = java.net.http.HttpRequest.newBuilder(app.address().resolve("/sign-in")).header("X-Forwarded-Proto", "https").build();
        var answer = java.net.http.HttpClient.newHttpClient().send(request, java.net.http.HttpResponse.BodyHandlers.discarding());

        assertThat(answer.headers().firstValue("set-cookie")).get().asString().contains("Secure");
        assertThat(answer.headers().firstValue("Strict-Transport-Security")).isPresent();
        assertThat(app.visitor().get("/sign-in").header("set-cookie")).doesNotContain("Secure");
    }

    @Test
    void unitsAreTheAnglersOwn(RunningApp app) {
        Visitor angler = app.angler();
        angler.post("/settings", "weight", "kg", "length", "cm", "depth", "m", "temperature", "C", "speed", "km/h");

        assertThat(angler.get("/settings").value("weight")).isEqualTo("kg");
        assertThat(app.angler().get("/settings").value("weight")).isEqualTo("lb-oz");
    }

    @Test
    void onlyTheDemoHasADemoAccountAndAClockToSet(RunningApp app, @RunningApp.Demo RunningApp demo) {
        assertThat(app.visitor().post("/sign-in/demo").status()).isEqualTo(404);
        assertThat(app.angler().post("/demo/clock", "moment", "DAY_1_MORNING").status()).isEqualTo(404);

        Visitor angler = demo.demoAngler();
        assertThat(angler.post("/demo/clock", "moment", "DAY_1_MORNING", "back", "/events").text()).contains("2027-06-05 09:40");
        assertThat(angler.post("/demo/clock", "moment", "LAST_PRACTICE_EVENING", "back", "//elsewhere.example/").path()).isEqualTo("/events");
    }
}
