package markturn.web.frame;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Optional;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/** A picture as the house keeps it: drawn anew and smaller, so that nothing but what is seen comes along: no place, no time, no device. */
public final class Pictures {
    private static final int LONGEST_SIDE = 1600;
    public static final int MOST_BYTES = 2_000_000;
    /** More picture points than any camera has, and fewer than would fill the memory. */
    private static final long MOST_POINTS = 120_000_000;

    private Pictures() {}

    /**
     * A picture drawn anew.
     *
     * @param jpeg its bytes
     * @param times so many picture points of the old one, across, to one of the new
     */
    public record Drawn(byte[] jpeg, int wide, int high, double times) {}

    /** The picture as JPEG; empty where the bytes are none that can be read. */
    public static Optional<Drawn> drawnAnew(byte[] file) {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(file))) {
            var readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                return Optional.empty();
            }
            ImageReader reader = readers.next();
            reader.setInput(in, true, true);
            if ((long) reader.getWidth(0) * reader.getHeight(0) > MOST_POINTS) {
                return Optional.empty();
            }
            BufferedImage read = reader.read(0);
            reader.dispose();
            Drawn drawn = smaller(read);
            return drawn.jpeg().length > MOST_BYTES ? Optional.empty() : Optional.of(drawn);
        } catch (IOException | IllegalArgumentException | IndexOutOfBoundsException unreadable) {
            return Optional.empty();
        }
    }

    private static Drawn smaller(BufferedImage read) throws IOException {
        double scale = Math.min(1, (double) LONGEST_SIDE / Math.max(read.getWidth(), read.getHeight()));
        int width = Math.max(1, (int) Math.round(read.getWidth() * scale));
        int height = Math.max(1, (int) Math.round(read.getHeight() * scale));
        BufferedImage small = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D pen = small.createGraphics();
        pen.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        pen.drawImage(read, 0, 0, width, height, java.awt.Color.WHITE, null);
        pen.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(small, "jpg", out);
        return new Drawn(out.toByteArray(), width, height, (double) read.getWidth() / width);
    }
}
