package lochan.web.account;

import java.io.Serializable;
import java.security.Principal;

/** Who is signed in. */
public record Angler(long accountId, String name) implements Principal, Serializable {

    @Override
    public String getName() {
        return name;
    }
}
