package lochan.web.account;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import lochan.core.Coded;
import lochan.core.quantity.Units;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;

/** The accounts and what each has chosen. */
@Service
public class Accounts {

    private static final int SHORTEST_PASSWORD = 10;
    private static final int LONGEST_PASSWORD = 200;
    private static final int LONGEST_NAME = 80;

    private final AccountRepository repository;
    private final PasswordEncoder encoder;
    private final AtomicBoolean someExist = new AtomicBoolean();

    Accounts(AccountRepository repository, PasswordEncoder encoder) {
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
                ? Optional.of("The name has " + name.length() + " characters: expected 1 to " + LONGEST_NAME + ".") : Optional.empty();
    }

    static Optional<String> passwordProblem(String password) {
        return password.length() < SHORTEST_PASSWORD || password.length() > LONGEST_PASSWORD
                ? Optional.of("The password has " + password.length() + " characters: expected " + SHORTEST_PASSWORD + " to " + LONGEST_PASSWORD
                        + "; a few words in a row are easy to keep in mind.") : Optional.empty();
    }

    /** Makes the first account; empty when there is one already. */
    Optional<Angler> makeFirst(String name, String password) {
        return repository.addFirst(name.strip(), encoder.encode(password)).map(id -> new Angler(id, name.strip()));
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
        Optional<AccountRepository.Stored> account = repository.find(name.strip());
        boolean right = encoder.matches(password, account.map(AccountRepository.Stored::passwordHash).orElse(NOBODY));
        return account.filter(a -> right).map(a -> new Angler(a.id(), a.name()));
    }

    /** The hash of a password nobody has. */
    private static final String NOBODY = "$argon2id$v=19$m=16384,t=2,p=1$bm9ib2R5bm9ib2R5bm9ibw$5mvVzNVQ0pCPaE3MEN5xZHo5N1dHDaRCqQ4l6tRWFTg";

    /** The units an angler reads and types. */
    public Units units(long accountId) {
        return repository.units(accountId).map(Accounts::units).orElse(Units.USUAL);
    }

    void setUnits(long accountId, Units units) {
        repository.setUnits(accountId, String.join(" ", units.weight().code(), units.length().code(), units.depth().code(),
                units.temperature().code(), units.speed().code()));
    }

    private static Units units(String stored) {
        List<String> codes = List.of(stored.split(" "));
        return new Units(Coded.find(Units.Weight.class, codes.get(0)).orElseThrow(), Coded.find(Units.Length.class, codes.get(1)).orElseThrow(),
                Coded.find(Units.Depth.class, codes.get(2)).orElseThrow(), Coded.find(Units.Temperature.class, codes.get(3)).orElseThrow(),
                Coded.find(Units.Speed.class, codes.get(4)).orElseThrow());
    }
}
