package markturn.web.people;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** An account. One person may be surveyor, reviewer and administrator at once; whoever is none of them reads. */
@Entity
@Table(name = "person")
public class Person {
    @Id
    private String signInName;

    private String shownName;
    private String passwordHash;
    private boolean surveyor;
    private boolean reviewer;
    private boolean administrator;
    private boolean disabled;

    protected Person() {}

    Person(String signInName, String shownName, String passwordHash, Roles roles) {
        this.signInName = signInName;
        this.shownName = shownName;
        this.passwordHash = passwordHash;
        this.surveyor = roles.surveyor();
        this.reviewer = roles.reviewer();
        this.administrator = roles.administrator();
    }

    /** What an account may do, beside reading the jobs it is a member of. */
    public record Roles(boolean surveyor, boolean reviewer, boolean administrator) {}

    private Person copy() {
        Person copy = new Person(signInName, shownName, passwordHash, roles());
        copy.disabled = disabled;
        return copy;
    }

    /** The same account with another password. */
    Person withPassword(String hash) {
        Person other = copy();
        other.passwordHash = hash;
        return other;
    }

    /** The same account, shown by another name. */
    Person withShownName(String name) {
        Person other = copy();
        other.shownName = name;
        return other;
    }

    /** The same account with other roles. */
    Person withRoles(Roles roles) {
        Person other = new Person(signInName, shownName, passwordHash, roles);
        other.disabled = disabled;
        return other;
    }

    /** The same account, which nobody can sign in to, or somebody can again. */
    Person withDisabled(boolean off) {
        Person other = copy();
        other.disabled = off;
        return other;
    }

    public String signInName() {
        return signInName;
    }

    public String shownName() {
        return shownName;
    }

    String passwordHash() {
        return passwordHash;
    }

    public boolean isSurveyor() {
        return surveyor;
    }

    public boolean isReviewer() {
        return reviewer;
    }

    public boolean isAdministrator() {
        return administrator;
    }

    public boolean isDisabled() {
        return disabled;
    }

    Roles roles() {
        return new Roles(surveyor, reviewer, administrator);
    }
}
