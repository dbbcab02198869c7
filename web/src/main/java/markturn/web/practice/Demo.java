package markturn.web.practice;

import java.util.List;
import java.util.Set;
import markturn.fieldbook.GroundDrawn;
import markturn.fieldbook.PlanKept;
import markturn.simulator.AlderWeir;
import markturn.simulator.AlderWeirPlans;
import markturn.web.fieldbook.FieldBook;
import markturn.web.people.Invitations;
import markturn.web.people.People;
import markturn.web.people.Person;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** Opens the accounts of a new house, and the demo job once, or closes the demo's accounts: before the first page is answered. */
@Component
class Demo implements SmartInitializingSingleton {
    static final String SURVEYOR = "wren";
    static final String REVIEWER = "ida";
    static final String ADMINISTRATOR = "tam";
    static final String PASSWORD = "alder-weir";

    private final People people;
    private final FieldBook fieldBook;
    private final boolean demo;
    private final boolean closed;
    private final Invitations invitations;
    private final String firstLink;
    private final String password;
    private final boolean served;

    /**
     * @param password of the demo's accounts in a house that others can reach; the one that everybody knows where it is empty
     * @param shown where others reach this house; empty where nobody does
     * @param served whether this very build has served this folder so before: then all of it is as it is to be, and the first page waits for nothing
     */
    Demo(
            People people,
            FieldBook fieldBook,
            Invitations invitations,
            @Value("${markturn.demo:true}") boolean demo,
            @Value("${markturn.close-demo:false}") boolean closed,
            @Value("${markturn.first-link:}") String firstLink,
            @Value("${markturn.demo-password:}") String password,
            @Value("${markturn.tls.shown:}") String shown,
            @Value("${markturn.served:false}") boolean served) {
        this.people = people;
        this.fieldBook = fieldBook;
        this.demo = demo;
        this.closed = closed;
        this.invitations = invitations;
        this.firstLink = firstLink;
        this.password = password.isEmpty() ? PASSWORD : password;
        this.served = served;
        if (demo && password.isEmpty() && !shown.isEmpty()) {
            throw new IllegalStateException("markturn.demo-password is missing: others reach this house at " + shown
                    + ", and everybody knows the password of its demo accounts");
        }
    }

    @Override
    public void afterSingletonsInstantiated() {
        if (!firstLink.isEmpty() && !people.hasAdministrator()) {
            // The start command prints the link; whoever follows it opens the other accounts.
            people.openWithoutPassword("office", "Office", new Person.Roles(true, true, true));
            people.setRoles("office", new Person.Roles(true, true, true));
            invitations.invite("office", firstLink);
        }
        if (!served) {
            open();
        }
    }

    private void open() {
        if (closed) {
            for (String name : List.of(SURVEYOR, REVIEWER, ADMINISTRATOR)) {
                people.close(name, PASSWORD);
                people.close(name, password);
            }
        }
        if (demo && !password.equals(PASSWORD)) {
            List.of(SURVEYOR, REVIEWER, ADMINISTRATOR).forEach(name -> people.change(name, PASSWORD, password));
        }
        if (demo && people.all().stream().noneMatch(p -> p.signInName().equals(SURVEYOR))) {
            people.open(SURVEYOR, "Wren Halloran", password, new Person.Roles(true, false, false));
            people.open(REVIEWER, "Ida Marsh", password, new Person.Roles(false, true, false));
        }
        if (demo) {
            people.open(ADMINISTRATOR, "Tam Rook", password, new Person.Roles(false, false, true));
        }
        if (demo && fieldBook.isEmpty()) {
            String id = fieldBook.open(AlderWeir.job(), SURVEYOR, Set.of(SURVEYOR, REVIEWER));
            fieldBook.add(
                    id,
                    "demo-plans",
                    SURVEYOR,
                    List.of(
                            new GroundDrawn(AlderWeirPlans.ground()),
                            new PlanKept(AlderWeirPlans.firstIdea()),
                            new PlanKept(AlderWeirPlans.proposal())));
        }
    }
}
