package markturn.web.people;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
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

    /** No password has this for its hash. */
    private static final String CLOSED = "closed";

    private final PersonRepository persons;
    private final Cache<String, Booker> bookers = Caffeine.newBuilder()
            .expireAfterWrite(Duration.ofSeconds(10))
            .maximumSize(10_000)
            .build();
    private final PasswordEncoder passwords;
    private final Map<String, String> shownNames = new ConcurrentHashMap<>();

    People(PersonRepository persons, PasswordEncoder passwords) {
        this.persons = persons;
        this.passwords = passwords;
    }

    @Override
    public UserDetails loadUserByUsername(String signInName) {
        Person person = persons.findById(signInName).orElseThrow(() -> new UsernameNotFoundException(signInName));
        var account = User.withUsername(person.signInName()).password(person.passwordHash());
        return account.roles(roles(signInName).toArray(String[]::new)).build();
    }

    /** The roles of an account now; none where there is none. */
    public Set<String> roles(String signInName) {
        Set<String> roles = new HashSet<>();
        persons.findById(signInName).ifPresent(p -> {
            if (p.isSurveyor()) {
                roles.add(SURVEYOR);
            }
            if (p.isReviewer()) {
                roles.add(REVIEWER);
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
    public void open(String signInName, String shownName, String password, boolean surveyor, boolean reviewer) {
        if (!persons.existsById(signInName)) {
            persons.save(new Person(signInName, shownName, passwords.encode(password), surveyor, reviewer));
        }
    }

    /** Opens an account with both roles, or gives it another password where it is there. */
    @Transactional
    public void openAnew(String signInName, String shownName, String password) {
        persons.save(persons.findById(signInName)
                .map(p -> p.withPassword(passwords.encode(password)))
                .orElseGet(() -> new Person(signInName, shownName, passwords.encode(password), true, true)));
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
        return shownNames.computeIfAbsent(
                signInName,
                name -> persons.findById(name).map(Person::shownName).orElse(name));
    }
}
