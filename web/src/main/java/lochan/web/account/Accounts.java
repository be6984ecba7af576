package lochan.web.account;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import lochan.core.Coded;
import lochan.core.quantity.Units;
import lochan.wording.Wording;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.interceptor.TransactionAspectSupport;

/** The accounts and what each has chosen. */
@Service
public class Accounts {

    private static final int SHORTEST_PASSWORD = 10;
    private static final int LONGEST_PASSWORD = 200;
    private static final int LONGEST_NAME = 80;
    static final Duration INVITATION_HOLDS = Duration.ofDays(7);

    private final AccountRepository repository;
    private final PasswordEncoder encoder;
    private final Removals removals;
    private final Clock clock;
    private final AtomicBoolean someExist = new AtomicBoolean();

    Accounts(AccountRepository repository, PasswordEncoder encoder, Removals removals, Clock clock) {
        this.removals = removals;
        this.clock = clock;
        this.repository = repository;
        this.encoder = encoder;
    }

    /** Whether the first account is still to be made. */
    public boolean noneYet() {
        if (!someExist.get()) {
            someExist.set(!repository.isEmpty());
        }
        return !someExist.get();
    }

    /** What forbids a name or password; empty when nothing does. */
    static Optional<String> nameProblem(String name) {
        return name.isBlank() || name.length() > LONGEST_NAME
                ? Optional.of(Wording.text("account.name-length", LONGEST_NAME))
                : Optional.empty();
    }

    static Optional<String> passwordProblem(String password) {
        return password.length() < SHORTEST_PASSWORD || password.length() > LONGEST_PASSWORD
                ? Optional.of(Wording.text("account.password-length", SHORTEST_PASSWORD, LONGEST_PASSWORD))
                : Optional.empty();
    }

    /** Makes the first account; empty when there is one already. */
    Optional<Angler> makeFirst(String name, String password) {
        return repository.addFirst(name.strip(), encoder.encode(password)).map(id -> new Angler(id, name.strip()));
    }

    /** Why somebody could not join. */
    enum Refusal {
        CODE,
        NAME
    }

    /**
     * Makes an account for one who has a code of the administrator's, which is used up by it.
     *
     * @return the angler, or why not; a name that is taken leaves the code valid
     */
    @Transactional
    Registration join(String code, String name, String password) {
        if (repository.find(name.strip()).isPresent()) {
            return new Registration(null, Refusal.NAME);
        }
        if (!repository.takeInvitation(Secrets.hash(Secrets.plain(code)), clock.instant())) {
            return new Registration(null, Refusal.CODE);
        }
        try {
            long id = repository.add(name.strip(), encoder.encode(password));
            return new Registration(new Angler(id, name.strip()), null);
        } catch (DuplicateKeyException e) {
            // Another took the name meanwhile: the code stays good.
            TransactionAspectSupport.currentTransactionStatus().setRollbackOnly();
            return new Registration(null, Refusal.NAME);
        }
    }

    /** @param angler null when refused */
    record Registration(@Nullable Angler angler, @Nullable Refusal refused) {}

    /** The oldest account adds others. */
    boolean isAdministrator(long accountId) {
        return repository.first().filter(id -> id == accountId).isPresent();
    }

    /** All accounts, the oldest first. */
    public List<Angler> all() {
        return repository.all();
    }

    /** A code by which one account can be made; it is shown once and kept as a hash only. */
    String invite(long accountId) {
        String code = Secrets.code();
        repository.addInvitation(
                accountId,
                Secrets.hash(Secrets.plain(code)),
                clock.instant(),
                clock.instant().plus(INVITATION_HOLDS));
        return code;
    }

    List<Instant> invitations(long accountId) {
        return repository.invitations(accountId, clock.instant());
    }

    void withdrawInvitations(long accountId) {
        repository.deleteInvitations(accountId);
    }

    /** Whether a password is the account's. */
    boolean isPassword(long accountId, String password) {
        return repository
                .find(accountId)
                .filter(a -> encoder.matches(password, a.passwordHash()))
                .isPresent();
    }

    void setPassword(long accountId, @Nullable String password) {
        repository.setPassword(accountId, encoder.encode(password));
    }

    /** Removes an account with everything that is its own, for good. */
    public void delete(long accountId) {
        removals.account(accountId);
        someExist.set(false);
    }

    /** Makes an account, or finds the one of that name. */
    public Angler findOrMake(String name, String password) {
        return find(name).orElseGet(() -> new Angler(repository.add(name, encoder.encode(password)), name));
    }

    public Optional<Angler> find(String name) {
        return repository.find(name).map(a -> new Angler(a.id(), a.name()));
    }

    /** The angler when the password is right. A name that is not there takes as long to refuse as a wrong password. */
    Optional<Angler> signIn(String name, String password) {
        Optional<AccountRepository.AccountRow> account = repository.find(name.strip());
        boolean right = encoder.matches(
                password,
                account.map(AccountRepository.AccountRow::passwordHash).orElse(NOBODY));
        return account.filter(a -> right).map(a -> new Angler(a.id(), a.name()));
    }

    /** The hash of a password nobody has. */
    private static final String NOBODY =
            "$argon2id$v=19$m=16384,t=2,p=1$bm9ib2R5bm9ib2R5bm9ibw$5mvVzNVQ0pCPaE3MEN5xZHo5N1dHDaRCqQ4l6tRWFTg";

    /** The units an angler reads and types. */
    public Units units(long accountId) {
        return repository.units(accountId).map(Accounts::units).orElse(Units.USUAL);
    }

    void setUnits(long accountId, Units units) {
        repository.setUnits(
                accountId,
                String.join(
                        " ",
                        units.weight().code(),
                        units.length().code(),
                        units.depth().code(),
                        units.temperature().code(),
                        units.speed().code()));
    }

    private static Units units(String stored) {
        List<String> codes = List.of(stored.split(" "));
        return new Units(
                Coded.get(Units.Weight.class, codes.get(0)),
                Coded.get(Units.Length.class, codes.get(1)),
                Coded.get(Units.Depth.class, codes.get(2)),
                Coded.get(Units.Temperature.class, codes.get(3)),
                Coded.get(Units.Speed.class, codes.get(4)));
    }
}
