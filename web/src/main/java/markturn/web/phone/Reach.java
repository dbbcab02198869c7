package markturn.web.phone;

import java.nio.file.Path;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** How the pages are reached from beyond this machine, as the start command says it; not at all where it says nothing. */
@Component
final class Reach {
    private final String shown;
    private final String authority;
    private final Optional<Served> served;

    /**
     * @param shown the address to be typed on a phone, such as {@code https://192.168.1.20:8443}
     * @param authority the certificate that devices are asked to trust, in PEM; empty where a real one vouches for this house
     * @param address where TLS is served; empty where it is not
     */
    Reach(
            @Value("${markturn.tls.shown:}") String shown,
            @Value("${markturn.tls.authority:}") String authority,
            @Value("${markturn.tls.address:}") String address,
            @Value("${markturn.tls.port:8443}") int port,
            @Value("${markturn.tls.certificate:}") String certificate,
            @Value("${markturn.tls.key:}") String key) {
        this.shown = shown;
        this.authority = authority;
        this.served = address.isEmpty()
                ? Optional.empty()
                : Optional.of(new Served(address, port, Path.of(certificate), Path.of(key)));
    }

    /** Where TLS is served and with what, both files in PEM. */
    record Served(String address, int port, Path certificate, Path key) {}

    Optional<Served> served() {
        return served;
    }

    /** What to type on a phone; empty where no phone reaches this house. */
    Optional<String> shown() {
        return Optional.of(shown).filter(words -> !words.isEmpty());
    }

    Optional<Path> authority() {
        return Optional.of(authority).filter(words -> !words.isEmpty()).map(Path::of);
    }
}
