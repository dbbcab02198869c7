package markturn.web.pocket;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.URI;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/** The line between a device and the house: what is cut through it is gone for both, until it is mended. */
final class Line implements AutoCloseable {
    private final ServerSocket ear;
    private final int house;
    private final Set<Socket> open = ConcurrentHashMap.newKeySet();
    private volatile boolean cut;

    Line(String address) throws IOException {
        this.house = URI.create(address).getPort();
        this.ear = new ServerSocket(0, 50, InetAddress.getLoopbackAddress());
        daemon(this::listen);
    }

    String address() {
        return "http://127.0.0.1:" + ear.getLocalPort();
    }

    void cut() {
        cut = true;
        open.forEach(Line::closed);
    }

    void mend() {
        cut = false;
    }

    private void listen() {
        while (!ear.isClosed()) {
            try {
                Socket device = ear.accept();
                if (cut) {
                    device.close();
                    continue;
                }
                Socket server = new Socket(InetAddress.getLoopbackAddress(), house);
                open.add(device);
                open.add(server);
                daemon(() -> carry(device, server));
                daemon(() -> carry(server, device));
            } catch (IOException ended) {
                // The ear was closed, or the house did not take the call: the next one is heard.
                continue;
            }
        }
    }

    private void carry(Socket from, Socket to) {
        try (InputStream in = from.getInputStream();
                OutputStream out = to.getOutputStream()) {
            in.transferTo(out);
        } catch (IOException ended) {
            // Cut, or hung up at one end: both ends are done.
        } finally {
            closed(from);
            closed(to);
            open.remove(from);
            open.remove(to);
        }
    }

    private static void daemon(Runnable work) {
        Thread thread = new Thread(work, "line");
        thread.setDaemon(true);
        thread.start();
    }

    private static void closed(Socket socket) {
        try {
            socket.close();
        } catch (IOException gone) {
            throw new UncheckedIOException(gone);
        }
    }

    @Override
    public void close() throws IOException {
        ear.close();
        cut();
    }
}
