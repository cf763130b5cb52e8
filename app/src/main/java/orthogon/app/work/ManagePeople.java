package orthogon.app.work;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import orthogon.app.account.Passwords;
import orthogon.app.account.People;
import orthogon.app.account.Role;
import orthogon.app.account.SecondFactor;
import orthogon.app.account.SignedIn;
import orthogon.app.http.PublicAddress;
import orthogon.app.outbox.Outbox;
import orthogon.app.outbox.Outbox.Mail;
import orthogon.app.store.PersonStore;
import orthogon.app.store.PersonStore.Person;
import orthogon.core.questionnaire.Refused;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Component;

/** Who there is and what they may do: invited, changed, shut out; and what everybody changes of their own account. */
@Component
public class ManagePeople {

    /** How long a link is good for by which a password is chosen. */
    public static final Duration LINK_GOOD = Duration.ofDays(3);

    private static final String NAME = "[a-z][a-z0-9._-]{1,40}";
    private static final int LONGEST_SHOWN = 100;

    private final PersonStore store;
    private final People people;
    private final Passwords passwords;
    private final SecondFactor secondFactor;
    private final SignedIn signedIn;
    private final Outbox outbox;
    private final PublicAddress addresses;
    private final Acts acts;

    ManagePeople(PersonStore store, People people, Passwords passwords, SecondFactor secondFactor, SignedIn signedIn, Outbox outbox,
            PublicAddress addresses, Acts acts) {
        this.store = store;
        this.people = people;
        this.passwords = passwords;
        this.secondFactor = secondFactor;
        this.signedIn = signedIn;
        this.outbox = outbox;
        this.addresses = addresses;
        this.acts = acts;
    }

    private void note(String who, String words, Runnable act) {
        acts.noted(who, Acts.WORKSPACE, words, act);
        people.changed();
    }

    private static void checked(String name, String shown) throws Refused {
        if (!name.matches(NAME)) {
            throw new Refused("Choose a name to sign in with of 2 to 41 small letters, figures, dots or dashes, the first a letter.");
        }
        if (shown.isBlank() || shown.length() > LONGEST_SHOWN) {
            throw new Refused("Write the full name in at most " + LONGEST_SHOWN + " characters.");
        }
    }

    private void goodEnough(String password, String again, String name, String shown) throws Refused {
        if (!password.equals(again)) {
            throw new Refused("The two passwords differ. Write the same one twice.");
        }
        Optional<String> why = passwords.whyNot(password, name, shown);
        if (why.isPresent()) {
            throw new Refused(why.get());
        }
    }

    /** Makes the first administrator; there must be nobody yet. */
    public synchronized void first(String name, String shown, String password, String again) throws Refused {
        if (!store.all().isEmpty()) {
            throw new Refused("The first administrator is there already. Sign in, or ask them to invite you.");
        }
        checked(name, shown);
        goodEnough(password, again, name, shown);
        String hashed = passwords.hash(password);
        note(name, "began as the first administrator",
                () -> store.add(name, shown.strip(), "", hashed, Role.ANALYST.name(), true));
    }

    /** @param email checked; who is invited is sent a link there */
    public void invite(String name, String shown, String email, String role, boolean administrator, String who) throws Refused {
        checked(name, shown);
        String given = Role.named(role).map(Role::name).orElse("");
        try {
            note(who, "invited " + shown.strip() + " as “" + name + "”, " + words(given, administrator), () -> {
                store.add(name, shown.strip(), email, "", given, administrator);
                mail(name, email, "You are invited to Orthogon", "You can sign in as “" + name
                        + "” once you have chosen a password here, within three days:");
            });
        } catch (DuplicateKeyException e) {
            throw new Refused("Somebody has the name “" + name + "” already. Choose another.");
        }
    }

    private static String words(String role, boolean administrator) {
        return (role.isEmpty() ? "no role for every questionnaire" : Role.valueOf(role).word() + " of every questionnaire")
                + (administrator ? ", administrator" : "");
    }

    private void mail(String name, String email, String subject, String text) {
        outbox.send(new Mail(email, subject, text + "\n\n" + addresses.of("/join/" + store.link(name, LINK_GOOD)), "en"));
    }

    private Person person(String name) throws Refused {
        return people.find(name).orElseThrow(() -> new Refused("There is nobody with the name “" + name + "”."));
    }

    /** There must always be an administrator who can sign in. */
    private void notTheLast(Person person) throws Refused {
        List<Person> others = store.all().stream().filter(p -> p.administrator() && !p.disabled() && p.hasJoined()
                && !p.name().equals(person.name())).toList();
        if (person.administrator() && !person.disabled() && others.isEmpty()) {
            throw new Refused(person.shown() + " is the only administrator. Make somebody else one first.");
        }
    }

    public void setRole(String name, String role, boolean administrator, String who) throws Refused {
        Person person = person(name);
        if (!administrator) {
            notTheLast(person);
        }
        String given = Role.named(role).map(Role::name).orElse("");
        note(who, "made “" + name + "” " + words(given, administrator), () -> store.setRole(name, given, administrator));
    }

    /** @param role empty to take away that for the one questionnaire */
    public void setRole(String name, String questionnaire, String role, String who) throws Refused {
        person(name);
        String given = Role.named(role).map(Role::name).orElse("");
        acts.noted(who, questionnaire, given.isEmpty()
                ? "took the role of “" + name + "” away"
                : "made “" + name + "” "
                        + Role.valueOf(given).word(),
                () -> store.setRole(name, questionnaire, given));
        people.changed();
    }

    /** Shuts somebody out at once, or lets them in again. */
    public void disable(String name, boolean disabled, String who) throws Refused {
        Person person = person(name);
        if (disabled) {
            notTheLast(person);
        }
        note(who, (disabled ? "shut out “" : "let in again “") + name + "”", () -> store.disable(name, disabled));
        if (disabled) {
            signedIn.endAll(name);
        }
    }

    /** Sends somebody a link by which they choose a new password; the old one holds until then. */
    public void reset(String name, String who) throws Refused {
        Person person = person(name);
        if (person.email().isEmpty()) {
            throw new Refused("No email address is known of " + person.shown() + ", so no link can be sent.");
        }
        note(who, "sent “" + name + "” a link for a new password", () -> mail(name, person.email(), "A new password for Orthogon",
                "Choose a new password for “" + name + "” here, within three days:"));
    }

    /** Ends every session of somebody. */
    public void endSessions(String name, String who) throws Refused {
        person(name);
        note(who, "ended the sessions of “" + name + "”", () -> {});
        signedIn.endAll(name);
    }

    /** Takes away somebody's second factor, when they have lost the device. */
    public void dropSecondFactor(String name, String who) throws Refused {
        person(name);
        note(who, "took away the second factor of “" + name + "”", () -> store.setSecondFactor(name, ""));
        signedIn.endAll(name);
    }

    /** Unlinks somebody from the account of the identity service; the next one with their address takes its place. */
    public void dropIdentity(String name, String who) throws Refused {
        person(name);
        note(who, "unlinked “" + name + "” from the identity service", () -> store.setIdentity(name, ""));
        signedIn.endAll(name);
    }

    public void demandSecondFactor(boolean demanded, String who) {
        acts.noted(who, Acts.WORKSPACE, demanded ? "demands a second factor" : "no longer demands a second factor",
                () -> secondFactor.demand(demanded));
    }

    /** Chooses a password by a link, which is used up by it. */
    public void join(String token, String password, String again) throws Refused {
        String name = store.linked(token).orElseThrow(() -> new Refused("This link was used or is too old. Ask for another."));
        Person person = person(name);
        goodEnough(password, again, name, person.shown());
        String hashed = passwords.hash(password);
        note(name, "chose a password", () -> store.setPassword(name, hashed));
        signedIn.endAll(name);
    }

    /** Changes one's own password; every other session ends. */
    public void changePassword(String who, String now, String password, String again, String session) throws Refused {
        Person person = person(who);
        if (!passwords.fits(now, person.password())) {
            throw new Refused("That is not the password you have now.");
        }
        goodEnough(password, again, who, person.shown());
        String hashed = passwords.hash(password);
        note(who, "changed their password", () -> store.setPassword(who, hashed));
        signedIn.endOthers(who, session);
    }

    /** @param key that was shown to the device */
    public void addSecondFactor(String who, String key, String code) throws Refused {
        if (secondFactor.step(key, code).isEmpty()) {
            throw new Refused("This is not the code that the device shows now. Check that its clock is right, then try the next code.");
        }
        note(who, "added a second factor", () -> store.setSecondFactor(who, key));
    }

    /** Gives up one's own second factor, by the password. */
    public void removeSecondFactor(String who, String password) throws Refused {
        if (!passwords.fits(password, person(who).password())) {
            throw new Refused("That is not your password.");
        }
        note(who, "removed their second factor", () -> store.setSecondFactor(who, ""));
    }
}
