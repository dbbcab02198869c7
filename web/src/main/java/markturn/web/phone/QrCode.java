package markturn.web.phone;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import java.util.Map;

/** A QR code (ISO/IEC 18004) of an address, drawn as a path of unit squares or written in half blocks. */
final class QrCode {
    /** The quiet zone that ISO/IEC 18004 asks for. */
    private static final int MARGIN = 4;

    private static final String DARK_ON_LIGHT = "\u001b[30;107m";
    private static final String AS_BEFORE = "\u001b[0m";

    private final BitMatrix modules;

    /** @throws IllegalArgumentException where the text is empty or longer than such a code holds */
    QrCode(String text) {
        try {
            modules =
                    new QRCodeWriter().encode(text, BarcodeFormat.QR_CODE, 0, 0, Map.of(EncodeHintType.MARGIN, MARGIN));
        } catch (WriterException tooLong) {
            throw new IllegalArgumentException("no QR code holds " + text.length() + " characters", tooLong);
        }
    }

    /** Modules from edge to edge, the quiet zone counted. */
    int size() {
        return modules.getWidth();
    }

    /** The dark modules as a path, one unit each; runs along a row are one. */
    String path() {
        StringBuilder path = new StringBuilder();
        for (int y = 0; y < size(); y++) {
            for (int x = 0; x < size(); x++) {
                int run = run(x, y);
                if (run > 0) {
                    path.append('M').append(x).append(' ').append(y).append('h').append(run);
                    path.append("v1h-").append(run).append('z');
                    x += run;
                }
            }
        }
        return path.toString();
    }

    private int run(int x, int y) {
        int run = 0;
        while (x + run < size() && modules.get(x + run, y)) {
            run++;
        }
        return run;
    }

    /** For a terminal: two rows of modules to a line, dark on light whatever its colours are. */
    String inHalfBlocks() {
        StringBuilder lines = new StringBuilder();
        for (int y = 0; y < size(); y += 2) {
            lines.append("  ").append(DARK_ON_LIGHT);
            for (int x = 0; x < size(); x++) {
                boolean upper = modules.get(x, y);
                boolean lower = y + 1 < size() && modules.get(x, y + 1);
                lines.append(upper ? lower ? '█' : '▀' : lower ? '▄' : ' ');
            }
            lines.append(AS_BEFORE).append('\n');
        }
        return lines.toString();
    }
}
