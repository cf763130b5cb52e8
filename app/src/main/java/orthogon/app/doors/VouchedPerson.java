package orthogon.app.doors;

import java.util.List;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.oauth2.core.oidc.user.DefaultOidcUser;
import org.springframework.security.oauth2.core.oidc.user.OidcUser;

/** A person of this workspace for whom an identity service vouches. Goes by the name that they have here. */
final class VouchedPerson extends DefaultOidcUser implements UserDetails {

    private static final long serialVersionUID = 1;

    private final String name;

    VouchedPerson(String name, OidcUser vouched) {
        super(List.of(), vouched.getIdToken(), vouched.getUserInfo());
        this.name = name;
    }

    @Override
    public String getName() {
        return name;
    }

    @Override
    public String getUsername() {
        return name;
    }

    @Override
    public String getPassword() {
        return "";
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof VouchedPerson person && person.name.equals(name);
    }

    @Override
    public int hashCode() {
        return name.hashCode();
    }
}
