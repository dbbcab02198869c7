package markturn.web.frame;

import java.util.List;
import java.util.Set;
import markturn.web.people.People;
import org.springframework.http.HttpMethod;
import org.springframework.security.authentication.AnonymousAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.util.AntPathMatcher;

/**
 * Who may do what, address by address; the first row that fits decides, and what no row names is refused to everybody. Whether somebody is
 * a member of the job is asked where its book is opened.
 *
 * <p>Booking and noting anew are the surveyor's; acceptance and adoption a reviewer's; an answer, a reason for leaving out and the route of
 * a traverse belong to both.
 */
final class Rights {
    private Rights() {}

    /** Who is let in. */
    enum Who {
        ANYBODY(),
        SIGNED_IN(),
        SURVEYOR(People.SURVEYOR),
        REVIEWER(People.REVIEWER),
        EITHER(People.SURVEYOR, People.REVIEWER),
        ADMINISTRATOR(People.ADMINISTRATOR);

        private final String[] roles;

        Who(String... roles) {
            this.roles = roles;
        }

        /** The roles of which one is needed; none where signing in is enough, or not even needed. */
        String[] roles() {
            return roles.clone();
        }

        private boolean lets(Authentication who) {
            boolean signedIn = who != null && who.isAuthenticated() && !(who instanceof AnonymousAuthenticationToken);
            return this == ANYBODY
                    || signedIn
                            && (roles.length == 0
                                    || who.getAuthorities().stream()
                                            .anyMatch(a -> List.of(roles)
                                                    .contains(a.getAuthority().replaceFirst("^ROLE_", ""))));
        }
    }

    /** One row. */
    record Row(HttpMethod method, String pattern, Who who) {}

    static final List<Row> TABLE = List.of(
            get("/sign-in", Who.ANYBODY),
            get("/parts/**", Who.ANYBODY),
            get("/css/**", Who.ANYBODY),
            get("/js/**", Who.ANYBODY),
            get("/fonts/**", Who.ANYBODY),
            get("/favicon.svg", Who.ANYBODY),
            get("/welcome/*", Who.ANYBODY),
            post("/welcome/*", Who.ANYBODY),
            get("/account", Who.SIGNED_IN),
            post("/account/**", Who.SIGNED_IN),
            get("/office/people", Who.ADMINISTRATOR),
            get("/office/mark/**", Who.SIGNED_IN),
            get("/office/mark", Who.SIGNED_IN),
            post("/office/mark/*/value/*", Who.REVIEWER),
            post("/office/mark/*/note", Who.EITHER),
            get("/job/*/register", Who.SIGNED_IN),
            post("/job/*/register/take", Who.SURVEYOR),
            post("/job/*/register/enter", Who.EITHER),
            get("/office/instrument/**", Who.SIGNED_IN),
            get("/office/instrument", Who.SIGNED_IN),
            post("/office/instrument/*/test", Who.SURVEYOR),
            post("/office/instrument/**", Who.EITHER),
            post("/office/people/**", Who.ADMINISTRATOR),
            get("/error", Who.ANYBODY),
            post("/error", Who.ANYBODY),
            post("/looks", Who.ANYBODY),
            get("/", Who.SIGNED_IN),
            get("/job", Who.SIGNED_IN),
            get("/job/new", Who.SURVEYOR),
            get("/job/*", Who.SIGNED_IN),
            get("/job/*/code", Who.SIGNED_IN),
            get("/job/*/deliver/**", Who.SIGNED_IN),
            get("/job/*/detail/**", Who.SIGNED_IN),
            get("/job/*/epoch/**", Who.SIGNED_IN),
            get("/job/*/equipment/**", Who.SIGNED_IN),
            get("/job/*/intake/**", Who.SURVEYOR),
            get("/job/*/mark/**", Who.SIGNED_IN),
            get("/job/*/member", Who.SIGNED_IN),
            get("/job/*/network/**", Who.SIGNED_IN),
            get("/job/*/plan/**", Who.SIGNED_IN),
            get("/job/*/planning/**", Who.SIGNED_IN),
            get("/job/*/point/**", Who.SIGNED_IN),
            get("/phone", Who.SIGNED_IN),
            get("/phone/authority.crt", Who.ANYBODY),
            get("/pocket", Who.ANYBODY),
            get("/job/*/pocket/**", Who.SIGNED_IN),
            get("/job/*/practice", Who.SIGNED_IN),
            get("/job/*/review/correct", Who.SURVEYOR),
            get("/job/*/review/**", Who.SIGNED_IN),
            get("/job/*/setout/**", Who.SIGNED_IN),
            get("/job/*/setup/**", Who.SIGNED_IN),
            get("/job/*/traverse", Who.SIGNED_IN),
            get("/job/*/turning/**", Who.SIGNED_IN),
            post("/job/new", Who.SURVEYOR),
            post("/job/import", Who.SURVEYOR),
            post("/job/*/name", Who.SURVEYOR),
            post("/job/*/archive", Who.SURVEYOR),
            post("/job/*/bring-back", Who.SURVEYOR),
            post("/practice/open", Who.SURVEYOR),
            post("/job/*/code", Who.SURVEYOR),
            post("/job/*/detail/**", Who.SURVEYOR),
            post("/job/*/epoch/reference", Who.EITHER),
            post("/job/*/epoch/*", Who.SURVEYOR),
            post("/job/*/equipment/*", Who.SURVEYOR),
            post("/job/*/intake/**", Who.SURVEYOR),
            post("/job/*/mark/**", Who.SURVEYOR),
            post("/job/*/member/**", Who.SURVEYOR),
            post("/job/*/pocket/entries", Who.EITHER),
            post("/job/*/pocket/let-go", Who.SIGNED_IN),
            post("/job/*/planning/take", Who.SURVEYOR),
            post("/job/*/planning/*", Who.EITHER),
            post("/job/*/practice/**", Who.SURVEYOR),
            post("/job/*/setout/**", Who.SURVEYOR),
            post("/job/*/setup/**", Who.SURVEYOR),
            post("/job/*/turning/**", Who.SURVEYOR),
            post("/job/*/review/correct", Who.SURVEYOR),
            post("/job/*/review/answer", Who.EITHER),
            post("/job/*/review/*/answer", Who.EITHER),
            post("/job/*/review/*/leave-out", Who.EITHER),
            post("/job/*/review/*/accept", Who.REVIEWER),
            post("/job/*/review/*/reopen", Who.REVIEWER),
            post("/job/*/traverse/adopt", Who.REVIEWER),
            post("/job/*/traverse/*", Who.EITHER),
            post("/job/*/traverse", Who.EITHER),
            post("/job/*/deliver/*/cancel", Who.SIGNED_IN),
            post("/job/*/network/adopt", Who.REVIEWER),
            post("/job/*/network/cancel", Who.SIGNED_IN),
            post("/job/*/network/control", Who.EITHER),
            post("/job/*/point/second-sight", Who.EITHER),
            post("/job/*/point/withdraw", Who.REVIEWER));

    private static final Set<String> BY_FILTERS = Set.of("/sign-in", "/sign-out");

    /** Whether any row names that path, for whoever and whatever. */
    static boolean names(String path) {
        AntPathMatcher matcher = new AntPathMatcher();
        return TABLE.stream().anyMatch(row -> matcher.match(row.pattern(), path));
    }

    /**
     * Whether somebody is let in, as {@link Security} decides it. Signing in and out is nobody's row: filters answer it before any is asked.
     *
     * @param who null where nobody has signed in
     */
    static boolean allow(HttpMethod method, String path, Authentication who) {
        AntPathMatcher matcher = new AntPathMatcher();
        return BY_FILTERS.contains(path)
                || TABLE.stream()
                        .filter(row -> row.method().equals(method) && matcher.match(row.pattern(), path))
                        .findFirst()
                        .filter(row -> row.who().lets(who))
                        .isPresent();
    }

    /** Whether somebody may look at every page of a job. */
    static boolean allowEveryPage(Authentication who) {
        return TABLE.stream()
                .filter(row ->
                        row.method().equals(HttpMethod.GET) && row.pattern().startsWith("/job"))
                .allMatch(row -> row.who().lets(who));
    }

    private static Row get(String pattern, Who who) {
        return new Row(HttpMethod.GET, pattern, who);
    }

    private static Row post(String pattern, Who who) {
        return new Row(HttpMethod.POST, pattern, who);
    }
}
