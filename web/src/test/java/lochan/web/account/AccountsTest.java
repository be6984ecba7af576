package lochan.web.account;

import static org.assertj.core.api.Assertions.assertThat;

import io.github.bucket4j.TimeMeter;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.time.Duration;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import lochan.wording.Wording;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

@ExtendWith(TestServers.class)
@Tag("slow")
class AccountsTest {

    private static final String PASSWORD = "four words in a row";

    static List<String> addresses() {
        return Boolean.getBoolean("lochan.long") ? List.of("0.0.0.0", "127.0.0.1") : List.of("0.0.0.0");
    }

    @ParameterizedTest
    @MethodSource("addresses")
    void theFirstAccountIsMadeOnAPageThatAsksForTheTerminalsCode(String bind) {
        ByteArrayOutputStream terminal = new ByteArrayOutputStream();
        try (RunningApp app = TestServers.start(false, bind, terminal)) {
            Visitor first = app.visitor();
            assertThat(first.get("/events").path()).isEqualTo("/setup");
            Matcher code = Pattern.compile("code: (\\d{8})").matcher(terminal.toString());
            assertThat(code.find()).isTrue();

            Visitor.Answer wrong =
                    first.post("/setup", "name", "Ines", "password", PASSWORD, "again", "another one", "code", "1");
            assertThat(wrong.texts(".error"))
                    .hasSize(2)
                    .anyMatch(e -> e.equals(Wording.text("account.passwords-differ")))
                    .anyMatch(e -> e.equals(Wording.text("account.setup-code-wrong")));
            assertThat(wrong.value("name")).as("nothing typed is lost").isEqualTo("Ines");
            assertThat(first.post(
                                    "/setup",
                                    "name",
                                    "Ines",
                                    "password",
                                    "short",
                                    "again",
                                    "short",
                                    "code",
                                    code.group(1))
                            .texts(".error"))
                    .containsExactly(Wording.text("account.password-length", 10, 200));

            assertThat(first.post(
                                    "/setup",
                                    "name",
                                    "Ines",
                                    "password",
                                    PASSWORD,
                                    "again",
                                    PASSWORD,
                                    "code",
                                    code.group(1))
                            .path())
                    .isEqualTo("/events");
            assertThat(app.visitor().get("/setup").path())
                    .as("there is no second first account")
                    .isEqualTo("/sign-in");
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

        assertThat(app.bean(AccountRepository.class).find("hashed")).get().satisfies(a -> assertThat(a.passwordHash())
                .startsWith("$argon2id$")
                .doesNotContain(PASSWORD));
    }

    @Test
    void whoGuessesWaitsAndTheOwnerDoesNot() {
        // One of its own: the waits of its address are nobody else's.
        try (RunningApp app = TestServers.start(false, "127.0.0.1", java.io.OutputStream.nullOutputStream())) {
            // Said at once, or not at all: a machine that was busy for longer than the wait has shown nothing.
            boolean waited = Stream.of("Tomás", "Ramón", "José").anyMatch(name -> guessed(app, name));
            assertThat(waited).isTrue();
        }
    }

    /** Whether the guesser's next try came while it had to wait. */
    private static boolean guessed(RunningApp app, String account) {
        long id = app.bean(Accounts.class).findOrMake(account, PASSWORD).accountId();
        Visitor guesser = app.visitor();
        String plain = Normalizer.normalize(account, Normalizer.Form.NFD).replaceAll("\\p{M}", "");
        List<String> spelt =
                List.of(account, plain.toUpperCase(Locale.ROOT), plain.toLowerCase(Locale.ROOT) + " ", plain);
        for (String name : spelt) {
            assertThat(guesser.post("/sign-in", "name", name, "password", "a guess")
                            .status())
                    .isEqualTo(401);
        }
        // What slow guesses won back is used up at once.
        SignInThrottle throttle = app.bean(SignInThrottle.class);
        int left = 0;
        while (throttle.attempt(id, "127.0.0.1").isEmpty()) {
            left++;
        }
        long used = System.nanoTime();
        assertThat(left).as("all spellings count as one").isLessThan(SignInThrottle.FREE);

        Visitor.Answer waits = guesser.post("/sign-in", "name", plain, "password", PASSWORD);
        if (waits.status() != 429 && System.nanoTime() - used > SignInThrottle.FIRST_WAIT.toNanos()) {
            return false;
        }
        assertThat(waits.status()).isEqualTo(429);
        assertThat(waits.texts(".error"))
                .singleElement()
                .asString()
                .matches("Too many attempts. Try again in [12] seconds?.");
        assertThat(throttle.attempt(id, "10.1.2.3"))
                .as("the owner, from elsewhere")
                .isEmpty();
        assertThat(guesser.post("/sign-in", "name", "nobody", "password", PASSWORD)
                        .texts(".error"))
                .singleElement()
                .asString()
                .contains("Wrong name or password");
        return true;
    }

    @Test
    void waitsGrowWithTheTries() {
        AtomicLong now = new AtomicLong();
        SignInThrottle throttle = new SignInThrottle(time(now));
        int admitted = 0;
        for (int minute = 0; minute < 60; minute++) {
            for (int i = 0; i < 60; i++) {
                admitted += throttle.attempt(7L, "10.1.2.3").isEmpty() ? 1 : 0;
                now.addAndGet(1_000_000_000L);
            }
        }
        assertThat(admitted).as("of 3600 guesses in an hour").isBetween(60, 90);
        throttle.attempt(7L, "10.1.2.3");
        assertThat(throttle.attempt(7L, "10.1.2.3")).get().satisfies(w -> assertThat(w)
                .isBetween(Duration.ofSeconds(1), Duration.ofMinutes(1)));
        throttle.succeeded(7, "10.1.2.3");
        assertThat(throttle.attempt(7L, "10.1.2.3")).as("a right password").isEmpty();
    }

    @Test
    void anAddressOfTheSixthVersionIsItsWholeNetwork() {
        SignInThrottle throttle = new SignInThrottle(time(new AtomicLong()));
        for (int i = 0; i < SignInThrottle.FREE_PER_ADDRESS; i++) {
            assertThat(throttle.attempt(null, "2001:db8:1:2::" + i)).isEmpty();
        }
        assertThat(throttle.attempt(null, "2001:db8:1:2:ffff::1")).isPresent();
        assertThat(throttle.attempt(null, "2001:db8:1:3::1")).isEmpty();
    }

    private static TimeMeter time(AtomicLong nanos) {
        return new TimeMeter() {
            @Override
            public long currentTimeNanos() {
                return nanos.get();
            }

            @Override
            public boolean isWallClockBased() {
                return false;
            }
        };
    }

    @Test
    void whatAProxyWouldSayIsNotBelievedUnlessThereIsOne(RunningApp app) throws Exception {
        var request = java.net.http.HttpRequest.newBuilder(app.address().resolve("/sign-in"))
                .header("X-Forwarded-Proto", "https")
                .build();
        var answer = java.net.http.HttpClient.newHttpClient()
                .send(request, java.net.http.HttpResponse.BodyHandlers.discarding());
        assertThat(answer.headers().firstValue("set-cookie").orElse("")).doesNotContain("Secure");
    }

    @Test
    void passwordsAreHashedFewAtATime() throws Exception {
        AtomicInteger at = new AtomicInteger();
        AtomicInteger most = new AtomicInteger();
        BoundedPasswordEncoder encoder =
                new BoundedPasswordEncoder(new org.springframework.security.crypto.password.PasswordEncoder() {
                    @Override
                    public String encode(CharSequence password) {
                        most.accumulateAndGet(at.incrementAndGet(), Math::max);
                        Thread.yield();
                        at.decrementAndGet();
                        return "hash";
                    }

                    @Override
                    public boolean matches(CharSequence password, String hash) {
                        return encode(password).equals(hash);
                    }
                });
        try (var tried = java.util.concurrent.Executors.newVirtualThreadPerTaskExecutor()) {
            for (int i = 0; i < 200; i++) {
                tried.submit(() -> encoder.matches("x", "hash"));
            }
        }
        assertThat(most).hasValueLessThanOrEqualTo(BoundedPasswordEncoder.AT_ONCE);
    }

    @ParameterizedTest
    @ValueSource(strings = {"/sign-in", "/events/import", "/settings"})
    void aPostWithoutItsTokenIsRefused(String path, RunningApp app) {
        assertThat(app.angler().postAsIs(path, Map.of("name", "x"), "").status())
                .isEqualTo(403);
    }

    @Test
    void everyAnswerForbidsWhatIsNotOurs(RunningApp app) {
        Visitor.Answer page = app.visitor().get("/sign-in");

        assertThat(page.header("Content-Security-Policy"))
                .contains("default-src 'none'")
                .contains("script-src 'self'")
                .doesNotContain("unsafe")
                .doesNotContain("http");
        assertThat(page.header("X-Content-Type-Options")).isEqualTo("nosniff");
        assertThat(page.header("X-Frame-Options")).isEqualTo("DENY");
        assertThat(page.page().select("script:not([src]), style, [style], [onclick]"))
                .isEmpty();
        assertThat(page.page().select("[src], link[href]").stream().map(e -> e.attr(e.hasAttr("src") ? "src" : "href")))
                .allMatch(a -> a.startsWith("/"));
    }

    @Test
    void behindAProxyThatIsToldOfTheSessionsCookieIsSecure() throws Exception {
        try (RunningApp app =
                TestServers.start(false, Map.of("LOCHAN_PROXY", "local"), java.io.OutputStream.nullOutputStream())) {
            var builder = java.net.http.HttpRequest.newBuilder(app.address().resolve("/setup"))
                    .header("X-Forwarded-Proto", "https");
            var client = java.net.http.HttpClient.newHttpClient();
            var local = client.send(builder.build(), java.net.http.HttpResponse.BodyHandlers.discarding());
            assertThat(local.headers().firstValue("set-cookie"))
                    .get()
                    .asString()
                    .contains("Secure");
            assertThat(local.headers().firstValue("Strict-Transport-Security"))
                    .as("another program may answer at this machine's own name")
                    .isEmpty();
            var named = client.send(
                    builder.header("X-Forwarded-Host", "bass.example").build(),
                    java.net.http.HttpResponse.BodyHandlers.discarding());
            assertThat(named.headers().firstValue("Strict-Transport-Security")).isPresent();
        }
    }

    @Test
    void noAnswerRepeatsTheNameItWasAskedBy(RunningApp app) throws Exception {
        try (java.net.Socket socket =
                new java.net.Socket("127.0.0.1", app.address().getPort())) {
            socket.getOutputStream()
                    .write("GET /events HTTP/1.1\r\nHost: elsewhere.example\r\nConnection: close\r\n\r\n"
                            .getBytes(StandardCharsets.US_ASCII));
            assertThat(new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8))
                    .startsWith("HTTP/1.1 302")
                    .contains("Location: /sign-in")
                    .doesNotContain("elsewhere");
        }
    }

    private static String sessionOf(Visitor visitor, String path) {
        return visitor.get(path).header("set-cookie");
    }

    @Test
    void whatStandsInTheRecordsLetsNobodyIn(RunningApp app) {
        Visitor visitor = app.visitor();
        String token = new String(
                Base64.getDecoder().decode(sessionOf(visitor, "/sign-in").replaceAll("lochan=([^;]*);.*", "$1")),
                StandardCharsets.UTF_8);
        List<String> stored = app.bean(org.jooq.DSLContext.class)
                .fetch("SELECT SESSION_ID FROM SPRING_SESSION")
                .getValues(0, String.class);

        assertThat(stored).contains(Secrets.hash(token)).doesNotContain(token);
    }

    @Test
    void theTokenOfAFormMadeBeforeSigningInDoesNotHoldAfterIt(RunningApp app) {
        app.bean(Accounts.class).findOrMake("token", PASSWORD);
        Visitor visitor = app.visitor();
        String before = visitor.get("/sign-in").value("_csrf");
        visitor.post("/sign-in", "name", "token", "password", PASSWORD);

        assertThat(visitor.postAsIs("/settings", Map.of(), before).status()).isEqualTo(403);
        assertThat(visitor.postAsIs(
                                "/settings", Map.of(), visitor.get("/settings").value("_csrf"))
                        .status())
                .isEqualTo(200);
    }

    @Test
    void aChangedPasswordSignsOutOtherDevices(RunningApp app) {
        RunningApp.Account account = app.account();
        Visitor other = app.visitor();
        other.post("/sign-in", "name", account.name(), "password", PASSWORD);
        assertThat(account.visitor().get("/settings").text()).contains(Wording.text("account.devices", 2));
        assertThat(account.visitor()
                        .post(
                                "/settings/password",
                                "current",
                                "not it at all",
                                "password",
                                "five words all in a row",
                                "again",
                                "five words all in a row")
                        .texts(".error"))
                .containsExactly(Wording.text("account.password-wrong"));

        Visitor.Answer changed = account.visitor()
                .post(
                        "/settings/password",
                        "current",
                        PASSWORD,
                        "password",
                        "five words all in a row",
                        "again",
                        "five words all in a row");
        assertThat(changed.text()).contains("Password changed. Other devices have to sign in again.");
        assertThat(other.get("/events").path()).isEqualTo("/sign-in");
        assertThat(other.post("/sign-in", "name", account.name(), "password", PASSWORD)
                        .status())
                .isEqualTo(401);
        assertThat(other.post("/sign-in", "name", account.name(), "password", "five words all in a row")
                        .path())
                .isEqualTo("/events");
        assertThat(other.post("/settings/sessions/end").text()).contains("1 other device signed out.");
        assertThat(account.visitor().get("/events").path()).isEqualTo("/sign-in");
    }

    @Test
    void theAdministratorLetsOthersInByACodeEach() {
        try (RunningApp app = TestServers.start(false, "127.0.0.1", java.io.OutputStream.nullOutputStream())) {
            Visitor first = app.angler();
            Visitor.Answer made = first.post("/settings/accounts/invite");
            String code = made.texts(".code").getFirst();
            assertThat(code).matches("[A-Z2-9]{4}-[A-Z2-9]{4}-[A-Z2-9]{4}");
            assertThat(first.get("/settings").text()).as("it is shown once").doesNotContain(code);

            Visitor guest = app.visitor();
            assertThat(guest.post(
                                    "/join",
                                    "code",
                                    "ABCD-EFGH-JKMN",
                                    "name",
                                    "Tam",
                                    "password",
                                    PASSWORD,
                                    "again",
                                    PASSWORD)
                            .texts(".error"))
                    .singleElement()
                    .asString()
                    .contains("wrong, used or expired");
            assertThat(guest.post(
                                    "/join",
                                    "code",
                                    code.toLowerCase(java.util.Locale.ROOT).replace("-", " "),
                                    "name",
                                    "Tam",
                                    "password",
                                    PASSWORD,
                                    "again",
                                    PASSWORD)
                            .path())
                    .isEqualTo("/events");
            assertThat(app.visitor()
                            .post("/join", "code", code, "name", "Rab", "password", PASSWORD, "again", PASSWORD)
                            .texts(".error"))
                    .singleElement()
                    .asString()
                    .contains("wrong, used or expired");
            assertThat(guest.post("/settings/accounts/invite").status())
                    .as("others cannot")
                    .isEqualTo(404);
            assertThat(guest.get("/settings").text()).doesNotContain("Make code");

            first.post("/settings/accounts/invite");
            assertThat(first.post("/settings/accounts/withdraw").text()).contains("Codes withdrawn");
        }
    }

    @Test
    void aDeletedAccountIsGoneWithEverythingAndWithItsSessions(RunningApp app) {
        app.account();
        RunningApp.Account account = app.account();
        String event = SampleEvents.practisedEvent(account.visitor(), "To be gone");
        account.visitor().post(event + "/plan/new", "day", "1");
        account.visitor()
                .post(event + "/competition", "type", "catch", "weight", "3-4", "code", "c1", "species", "largemouth");
        long id = app.bean(Accounts.class).find(account.name()).orElseThrow().accountId();
        assertThat(account.visitor()
                        .post("/settings/account/delete", "deletePassword", "no")
                        .texts(".error"))
                .singleElement()
                .asString()
                .contains(Wording.text("account.password-wrong"));

        assertThat(account.visitor()
                        .post("/settings/account/delete", "deletePassword", PASSWORD)
                        .path())
                .isEqualTo("/sign-in");
        assertThat(account.visitor().get("/events").path()).isEqualTo("/sign-in");
        nothingIsLeftOf(id, app);
    }

    private static void nothingIsLeftOf(long account, RunningApp app) {
        org.jooq.DSLContext db = app.bean(org.jooq.DSLContext.class);
        for (org.jooq.Table<?> table : lochan.web.db.DefaultSchema.DEFAULT_SCHEMA.getTables()) {
            if (table.field("account_id") != null) {
                assertThat(db.fetchCount(
                                table, table.field("account_id", Long.class).eq(account)))
                        .as(table.getName())
                        .isZero();
            }
        }
    }

    /** The phone goes on sending while the account goes: it gets an answer, whatever it was in the middle of. */
    @Tag("slow")
    @Test
    void anAccountIsDeletedWhileItsPhoneSends(RunningApp app) {
        app.account();
        for (int turn = 0; turn < 5; turn++) {
            RunningApp.Account account = app.account();
            String event = SampleEvents.practisedEvent(account.visitor(), "Sending");
            long id =
                    app.bean(Accounts.class).find(account.name()).orElseThrow().accountId();
            account.visitor().get("/settings");
            List<CompletableFuture<Integer>> phones = IntStream.range(0, 4)
                    .mapToObj(phone -> CompletableFuture.supplyAsync(() -> IntStream.range(0, 25)
                            .map(i -> account.visitor()
                                    .postJson(
                                            SampleEvents.boat(event) + "/log",
                                            "{\"entries\": [{\"type\": \"bite\", \"outcome\": \"missed\", \"id\": \"p"
                                                    + phone + "-" + i + "\", \"at\": \"2027-06-05T14:00:00Z\"}]}")
                                    .status())
                            .max()
                            .orElseThrow()))
                    .toList();

            assertThat(account.visitor()
                            .post("/settings/account/delete", "deletePassword", PASSWORD)
                            .path())
                    .isEqualTo("/sign-in");
            assertThat(phones.stream().map(CompletableFuture::join)).allMatch(status -> status < 500);
            nothingIsLeftOf(id, app);
        }
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
        assertThat(app.angler().post("/demo/clock", "moment", "DAY_1_MORNING").status())
                .isEqualTo(404);

        Visitor angler = demo.demoAngler();
        assertThat(angler.post("/demo/clock", "moment", "DAY_1_MORNING", "back", "/events")
                        .text())
                .contains("2027-06-05 09:40");
        assertThat(angler.post("/demo/clock", "moment", "LAST_PRACTICE_EVENING", "back", "//elsewhere.example/")
                        .path())
                .isEqualTo("/events");
    }
}
