package markturn.web.pocket;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Predicate;

/** The line between a device and the house: what is cut through it is gone for both, until it is mended. */
public final class Line implements AutoCloseable {
    /** A slow line: 2 Mbit/s for all that comes, in bytes a millisecond, and so many milliseconds before each question is heard. */
    private static final int SLOW_BYTES = 250;

    private static final long SLOW_DELAY = 100;

    private final ServerSocket ear;
    private final int house;
    private final Set<Socket> open = ConcurrentHashMap.newKeySet();
    private volatile boolean cut;
    private volatile boolean deaf;
    private volatile boolean silent;
    private volatile boolean slow;
    private final Object narrow = new Object();
    private volatile Predicate<String> late = asked -> false;
    private final CountDownLatch goOn = new CountDownLatch(1);

    public Line(String address) throws IOException {
        this.house = URI.create(address).getPort();
        this.ear = new ServerSocket(0, 50, InetAddress.getLoopbackAddress());
        daemon(this::listen);
    }

    public String address() {
        return "http://127.0.0.1:" + ear.getLocalPort();
    }

    public void cut() {
        cut = true;
        open.forEach(Line::closed);
    }

    /** Lines that the device sends still arrive; what the house answers to them does not. */
    void loseAnswers() {
        deaf = true;
    }

    /** What is under way and what comes is carried nowhere and never refused, also when others are carried again. */
    void fallSilent() {
        silent = true;
    }

    /** From here on as by a telephone at the edge of its network: everything arrives, late. */
    public void slowDown() {
        slow = true;
    }

    /** What is asked so is answered only when the line goes on. */
    public void holdAnswers(Predicate<String> asked) {
        late = asked;
    }

    public void goOn() {
        late = asked -> false;
        goOn.countDown();
    }

    public void mend() {
        cut = false;
        deaf = false;
        silent = false;
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
                AtomicBoolean lost = new AtomicBoolean();
                AtomicBoolean held = new AtomicBoolean();
                AtomicBoolean dead = new AtomicBoolean();
                daemon(() -> carry(device, server, dead, some -> {
                    lost.compareAndSet(false, deaf && some.contains("/pocket/entries"));
                    held.compareAndSet(false, late.test(some));
                    if (slow) {
                        pause(SLOW_DELAY);
                    }
                    return false;
                }));
                daemon(() -> carry(server, device, dead, some -> {
                    if (held.getAndSet(false)) {
                        await();
                    }
                    if (slow) {
                        // One narrow line for all that is asked at once.
                        synchronized (narrow) {
                            pause(some.length() / SLOW_BYTES);
                        }
                    }
                    return lost.get();
                }));
            } catch (IOException ended) {
                // The ear was closed, or the house did not take the call: the next one is heard.
                continue;
            }
        }
    }

    /**
     * @param dead whether it fell silent: then nothing is carried and no end is told, whatever the other one does
     * @param ends whether the line ends at what is about to be carried
     */
    private void carry(Socket from, Socket to, AtomicBoolean dead, Predicate<String> ends) {
        try (InputStream in = from.getInputStream();
                OutputStream out = to.getOutputStream()) {
            byte[] some = new byte[8192];
            for (int read = in.read(some); read >= 0; read = in.read(some)) {
                dead.compareAndSet(false, silent);
                if (dead.get()) {
                    await();
                }
                if (ends.test(new String(some, 0, read, StandardCharsets.ISO_8859_1))) {
                    break;
                }
                out.write(some, 0, read);
                out.flush();
            }
            if (dead.get()) {
                await();
            }
        } catch (IOException ended) {
            // Cut, or hung up at one end: both ends are done.
        } finally {
            closed(from);
            closed(to);
            open.remove(from);
            open.remove(to);
        }
    }

    private void await() {
        try {
            goOn.await();
        } catch (InterruptedException ended) {
            Thread.currentThread().interrupt();
        }
    }

    private static void pause(long time) {
        try {
            Thread.sleep(time);
        } catch (InterruptedException ended) {
            Thread.currentThread().interrupt();
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
        goOn();
        cut();
    }
}
