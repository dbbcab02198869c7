package markturn.web.phone;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.security.cert.CertificateFactory;
import java.util.HexFormat;
import java.util.Locale;
import markturn.web.frame.NotHere;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** The page "On a phone": what to type or point a camera at, and how a device comes to trust the authority of this house. */
@Controller
class PhoneController {
    private static final MediaType CERTIFICATE = MediaType.parseMediaType("application/x-x509-ca-cert");

    private final Reach reach;

    PhoneController(Reach reach) {
        this.reach = reach;
    }

    @GetMapping("/phone")
    String page(Model model) throws IOException, GeneralSecurityException {
        String shown = reach.shown().orElse("");
        model.addAttribute("shown", shown);
        if (!shown.isEmpty()) {
            QrCode code = new QrCode(shown + "/phone");
            model.addAttribute("code", code.path());
            model.addAttribute("box", "0 0 " + code.size() + " " + code.size());
        }
        model.addAttribute(
                "fingerprint",
                reach.authority().isPresent() ? fingerprint(reach.authority().get()) : "");
        return "phone/page";
    }

    /** What devices are asked to trust: public by its nature, so that it is there before the sign-in. */
    @GetMapping("/phone/authority.crt")
    ResponseEntity<byte[]> authority() throws IOException {
        byte[] certificate = Files.readAllBytes(reach.authority().orElseThrow(NotHere::new));
        return ResponseEntity.ok()
                .contentType(CERTIFICATE)
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"mark-turn-authority.crt\"")
                .body(certificate);
    }

    /** SHA-256 of the certificate as pairs of digits, as every system shows it. */
    private static String fingerprint(Path authority) throws IOException, GeneralSecurityException {
        try (InputStream pem = Files.newInputStream(authority)) {
            byte[] encoded = CertificateFactory.getInstance("X.509")
                    .generateCertificate(pem)
                    .getEncoded();
            byte[] digest = MessageDigest.getInstance("SHA-256").digest(encoded);
            return HexFormat.ofDelimiter(":").formatHex(digest).toUpperCase(Locale.ROOT);
        }
    }
}
