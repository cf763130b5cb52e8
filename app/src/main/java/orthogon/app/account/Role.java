package orthogon.app.account;

import static orthogon.app.account.Act.BEGIN;
import static orthogon.app.account.Act.EDIT;
import static orthogon.app.account.Act.ERASE_RESPONSES;
import static orthogon.app.account.Act.LOOK;
import static orthogon.app.account.Act.READ_PERSONAL;
import static orthogon.app.account.Act.READ_RESPONSES;
import static orthogon.app.account.Act.READ_TRAIL;
import static orthogon.app.account.Act.REHEARSE;
import static orthogon.app.account.Act.RELEASE;
import static orthogon.app.account.Act.REMARK;
import static orthogon.app.account.Act.SET_UP;
import static orthogon.app.account.Act.SIGN;
import static orthogon.app.account.Act.TRANSLATE;
import static orthogon.app.account.Act.WORK_ON_RESPONSES;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** What each kind of person may do: this is the table. */
public enum Role {
    ANALYST(LOOK, REHEARSE, EDIT, TRANSLATE, REMARK, SIGN, RELEASE, READ_RESPONSES, READ_PERSONAL, WORK_ON_RESPONSES, ERASE_RESPONSES,
            READ_TRAIL, BEGIN,
            SET_UP), REVIEWER(LOOK, REHEARSE, REMARK, SIGN, READ_RESPONSES, READ_PERSONAL, WORK_ON_RESPONSES,
                    READ_TRAIL), TRANSLATOR(LOOK, REHEARSE, TRANSLATE), VIEWER(LOOK, REHEARSE, READ_RESPONSES);

    private final Set<Act> acts;

    Role(Act first, Act... more) {
        this.acts = EnumSet.of(first, more);
    }

    public boolean may(Act act) {
        return acts.contains(act);
    }

    /** The role of a name; empty for none. */
    public static Optional<Role> named(String name) {
        return Arrays.stream(values()).filter(r -> r.name().equals(name)).findFirst();
    }

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
