package markturn.web.people;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import markturn.fieldbook.Booker;
import markturn.web.fieldbook.Bookers;
import org.springframework.security.core.userdetails.User;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The accounts. */
@Service
public class People implements UserDetailsService, Bookers {
    public static final String SURVEYOR = "SURVEYOR";
    public static final String REVIEWER = "REVIEWER";
    public static final String ADMINISTRATOR = "ADMINISTRATOR";

    /** No password has this for its hash. */
    private static final String CLOSED = "closed";

    private final PersonRepository persons;
    private final Cache<String, Booker> bookers = Caffeine.newBuilder()
            .expireAfterWrite(Duration.ofSeconds(10))
            .maximumSize(10_000)
            .build();
    private final PasswordEncoder passwords;
    /** Another copy of the program may change one. */
    private final Cache<String, String> shownNames = Caffeine.newBuilder()
            .expireAfterWrite(Duration.ofSeconds(10))
            .maximumSize(10_000)
            .build();

    People(PersonRepository persons, PasswordEncoder passwords) {
        this.persons = persons;
        this.passwords = passwords;
    }

    @Override
    public UserDetails loadUserByUsername(String signInName) {
        Person person = persons.findById(signInName).orElseThrow(() -> new UsernameNotFoundException(signInName));
        return User.withUsername(person.signInName())
                .password(person.passwordHash())
                .disabled(person.isDisabled())
                .roles(roles(signInName).toArray(String[]::new))
                .build();
    }

    /** The roles of an account now; none where there is none, or where it is disabled. */
    public Set<String> roles(String signInName) {
        Set<String> roles = new HashSet<>();
        persons.findById(signInName).filter(p -> !p.isDisabled()).ifPresent(p -> {
            if (p.isSurveyor()) {
                roles.add(SURVEYOR);
            }
            if (p.isReviewer()) {
                roles.add(REVIEWER);
            }
            if (p.isAdministrator()) {
                roles.add(ADMINISTRATOR);
            }
        });
        return roles;
    }

    /** Within ten seconds of a role given or taken. */
    @Override
    public Booker booker(String signInName) {
        return bookers.get(signInName, name -> {
            Set<String> roles = roles(name);
            return new Booker(name, roles.contains(SURVEYOR), roles.contains(REVIEWER));
        });
    }

    /** Opens an account unless the name is taken. */
    @Transactional
    public void open(String signInName, String shownName, String password, Person.Roles roles) {
        if (!persons.existsById(signInName)) {
            persons.save(new Person(signInName, shownName, passwords.encode(password), roles));
        }
    }

    /** Opens an account that nobody can sign in to before its link was followed, unless the name is taken. */
    @Transactional
    public void openWithoutPassword(String signInName, String shownName, Person.Roles roles) {
        if (!persons.existsById(signInName)) {
            persons.save(new Person(signInName, shownName, CLOSED, roles));
        }
    }

    /** An account by its sign-in name. */
    Optional<Person> find(String signInName) {
        return persons.findById(signInName);
    }

    /** Whether anybody can open accounts. */
    public boolean hasAdministrator() {
        return persons.findAll().stream().anyMatch(p -> p.isAdministrator() && !p.isDisabled());
    }

    /** Whether that is the password of an account. */
    boolean knows(String signInName, String password) {
        return persons.findById(signInName)
                .filter(p -> passwords.matches(password, p.passwordHash()))
                .isPresent();
    }

    /** Gives an account a password. */
    @Transactional
    public void setPassword(String signInName, String password) {
        persons.findById(signInName).ifPresent(p -> persons.save(p.withPassword(passwords.encode(password))));
    }

    @Transactional
    void setShownName(String signInName, String shownName) {
        persons.findById(signInName).ifPresent(p -> persons.save(p.withShownName(shownName)));
        shownNames.invalidate(signInName);
    }

    /**
     * Gives an account those roles and no others.
     *
     * @return whether that changed anything
     */
    @Transactional
    public boolean setRoles(String signInName, Person.Roles roles) {
        Optional<Person> other = persons.findById(signInName)
                .filter(p -> !p.roles().equals(roles))
                .map(p -> p.withRoles(roles));
        other.ifPresent(persons::save);
        bookers.invalidate(signInName);
        return other.isPresent();
    }

    /**
     * Closes an account to its owner, or opens it again.
     *
     * @return whether that changed anything
     */
    @Transactional
    boolean setDisabled(String signInName, boolean disabled) {
        Optional<Person> other = persons.findById(signInName)
                .filter(p -> p.isDisabled() != disabled)
                .map(p -> p.withDisabled(disabled));
        other.ifPresent(persons::save);
        bookers.invalidate(signInName);
        return other.isPresent();
    }

    /** Closes an account that still has a password everybody knows: nobody can sign in to it any more; what it booked stays its own. */
    @Transactional
    public void close(String signInName, String knownPassword) {
        persons.findById(signInName)
                .filter(p -> passwords.matches(knownPassword, p.passwordHash()))
                .ifPresent(p -> persons.save(p.withPassword(CLOSED)));
    }

    /** Gives an account another password where it still has this one. */
    @Transactional
    public void change(String signInName, String knownPassword, String password) {
        persons.findById(signInName)
                .filter(p -> passwords.matches(knownPassword, p.passwordHash()))
                .ifPresent(p -> persons.save(p.withPassword(passwords.encode(password))));
    }

    /** Everybody, for choosing members. */
    public List<Person> all() {
        return persons.findAll();
    }

    /** The name shown for an account; the sign-in name itself where there is none. */
    public String shownName(String signInName) {
        return shownNames.get(
                signInName,
                name -> persons.findById(name).map(Person::shownName).orElse(name));
    }
}
