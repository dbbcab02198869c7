package markturn.web.phone;

import java.net.InetAddress;
import org.apache.catalina.connector.Connector;
import org.apache.coyote.http11.Http11NioProtocol;
import org.apache.coyote.http2.Http2Protocol;
import org.apache.tomcat.util.net.SSLHostConfig;
import org.apache.tomcat.util.net.SSLHostConfigCertificate;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.stereotype.Component;

/**
 * The second address of the pages: over TLS, for other machines. The first, without, is served to this machine alone; anything else is
 * refused before it begins.
 */
@Component
class SecureAddress implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {
    /** Milliseconds: whoever sends a request drop by drop holds no thread. */
    private static final int LINE_TIMEOUT = 10_000;

    private static final int MOST_POSTED = 4 * 1024 * 1024;

    private final Reach reach;
    private final InetAddress plain;
    private final String compressed;

    SecureAddress(
            Reach reach,
            @Value("${server.address:}") InetAddress plain,
            @Value("${server.compression.mime-types}") String compressed) {
        this.reach = reach;
        this.plain = plain;
        this.compressed = compressed;
    }

    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        if (plain == null || !plain.isLoopbackAddress()) {
            throw new IllegalStateException(
                    "server.address is " + plain + ": without TLS only this machine itself is served");
        }
        reach.served().map(this::connector).ifPresent(factory::addAdditionalConnectors);
    }

    private Connector connector(Reach.Served served) {
        Http11NioProtocol protocol = new Http11NioProtocol();
        protocol.setSSLEnabled(true);
        protocol.setProperty("address", served.address());
        protocol.setConnectionTimeout(LINE_TIMEOUT);
        protocol.setCompression("on");
        protocol.setCompressibleMimeType(compressed);
        protocol.addSslHostConfig(host(served));
        Connector connector = new Connector(protocol);
        connector.setPort(served.port());
        connector.setScheme("https");
        connector.setSecure(true);
        connector.setMaxPostSize(MOST_POSTED);
        connector.setXpoweredBy(false);
        // A cold page is many small parts: they come on one connection.
        connector.addUpgradeProtocol(new Http2Protocol());
        return connector;
    }

    private static SSLHostConfig host(Reach.Served served) {
        SSLHostConfig host = new SSLHostConfig();
        host.setProtocols("TLSv1.2+TLSv1.3");
        SSLHostConfigCertificate certificate =
                new SSLHostConfigCertificate(host, SSLHostConfigCertificate.Type.UNDEFINED);
        certificate.setCertificateFile(served.certificate().toString());
        certificate.setCertificateKeyFile(served.key().toString());
        host.addCertificate(certificate);
        return host;
    }
}
