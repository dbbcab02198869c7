package markturn.web.people;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Base64;
import java.util.HexFormat;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Links that are handed over, work once, and for three days: whoever follows one chooses the password of its account. */
@Service
public class Invitations {
    static final Duration LASTS = Duration.ofDays(3);
    private static final int RANDOM_BYTES = 24;

    private final InvitationRepository invitations;
    private final People people;
    private final SecureRandom random = new SecureRandom();
    private final Clock clock = Clock.systemUTC();

    Invitations(InvitationRepository invitations, People people) {
        this.invitations = invitations;
        this.people = people;
    }

    /**
     * Makes a link for an account; an earlier one of it works no more.
     *
     * @return the last part of its address, to be shown once
     */
    @Transactional
    public String invite(String signInName) {
        byte[] bytes = new byte[RANDOM_BYTES];
        random.nextBytes(bytes);
        String token = Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
        invite(signInName, token);
        return token;
    }

    /** The same with a link that was made elsewhere: by the start command, which prints it. */
    @Transactional
    public void invite(String signInName, String token) {
        withdraw(signInName);
        invitations.save(
                new Invitation(digest(token), signInName, clock.instant().plus(LASTS)));
    }

    /** Whose account a link is for; empty where it does not work, or no more. */
    public Optional<String> invited(String token) {
        return invitations
                .findById(digest(token))
                .filter(invitation -> invitation.endsAt().isAfter(clock.instant()))
                .map(Invitation::signInName);
    }

    /**
     * Follows a link: the account has that password, and the link works no more.
     *
     * @return whether it worked
     */
    @Transactional
    public boolean accept(String token, String password) {
        Optional<String> name = invited(token);
        name.ifPresent(signInName -> {
            people.setPassword(signInName, password);
            withdraw(signInName);
        });
        return name.isPresent();
    }

    private void withdraw(String signInName) {
        invitations.findBySignInName(signInName).forEach(invitations::delete);
    }

    /** Until when a link of an account works, where one does. */
    Map<String, Instant> standing() {
        return invitations.findAll().stream()
                .filter(invitation -> invitation.endsAt().isAfter(clock.instant()))
                .collect(Collectors.toMap(
                        Invitation::signInName, Invitation::endsAt, (one, other) -> one.isAfter(other) ? one : other));
    }

    private static String digest(String token) {
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256").digest(token.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(digest);
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException("every Java has SHA-256", impossible);
        }
    }
}
