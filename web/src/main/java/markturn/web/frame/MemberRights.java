package markturn.web.frame;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import markturn.web.fieldbook.Member;
import markturn.web.fieldbook.Members;
import markturn.web.people.People;
import org.springframework.dao.DataAccessException;
import org.springframework.security.authentication.AnonymousAuthenticationToken;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * In a job somebody has the roles of the account that the membership leaves them: for the one request, so that {@link Rights}, pages and
 * forms ask nothing further. Whoever is no member keeps the account's and finds no job.
 */
@Component
class MemberRights extends OncePerRequestFilter {
    private static final Pattern OF_JOB = Pattern.compile("/job/([0-9a-f-]{36})(/.*)?");

    private final Members members;

    MemberRights(Members members) {
        this.members = members;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        Matcher job = OF_JOB.matcher(request.getRequestURI());
        if (who != null && !(who instanceof AnonymousAuthenticationToken) && job.matches()) {
            member(job.group(1), who.getName()).ifPresent(member -> narrow(who, member));
        }
        chain.doFilter(request, response);
    }

    /** Where the database does not answer the page says so. */
    private Optional<Member> member(String job, String who) {
        try {
            return members.member(job, who);
        } catch (DataAccessException | TransactionException gone) {
            return Optional.empty();
        }
    }

    private static void narrow(Authentication who, Member member) {
        List<GrantedAuthority> left = who.getAuthorities().stream()
                .map(GrantedAuthority.class::cast)
                .filter(authority -> leaves(member, authority.getAuthority()))
                .toList();
        if (left.size() == who.getAuthorities().size()) {
            return;
        }
        UsernamePasswordAuthenticationToken narrower =
                UsernamePasswordAuthenticationToken.authenticated(who.getPrincipal(), null, left);
        narrower.setDetails(who.getDetails());
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(narrower);
        SecurityContextHolder.setContext(context);
    }

    private static boolean leaves(Member member, String authority) {
        return switch (authority.replaceFirst("^ROLE_", "")) {
            case People.SURVEYOR -> member.isSurveyor();
            case People.REVIEWER -> member.isReviewer();
            default -> true;
        };
    }
}
