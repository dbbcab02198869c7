package markturn.web.people;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** An account. One person may be surveyor and reviewer at once. */
@Entity
@Table(name = "person")
public class Person {
    @Id
    private String signInName;

    private String shownName;
    private String passwordHash;
    private boolean surveyor;
    private boolean reviewer;

    protected Person() {}

    Person(String signInName, String shownName, String passwordHash, boolean surveyor, boolean reviewer) {
        this.signInName = signInName;
        this.shownName = shownName;
        this.passwordHash = passwordHash;
        this.surveyor = surveyor;
        this.reviewer = reviewer;
    }

    /** The same account with another password. */
    Person withPassword(String hash) {
        return new Person(signInName, shownName, hash, surveyor, reviewer);
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
}
