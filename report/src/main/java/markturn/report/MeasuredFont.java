package markturn.report;

import java.io.IOException;
import java.io.InputStream;
import org.apache.fontbox.util.BoundingBox;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDFontDescriptor;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.util.Matrix;
import org.apache.pdfbox.util.Vector;

/**
 * A font that remembers its letters: how wide each is, and how it is written. The library writes a text out and reads it back to say how
 * wide it is, and a table asks for every word several times: that was a third of the work of setting a report. Everything else is as the
 * font has it.
 */
final class MeasuredFont extends PDFont {
    /** Letters that are remembered: those of the alphabets, signs and arrows. */
    private static final int REMEMBERED = 0x3000;

    private final PDType0Font font;
    private final Letter[] letters = new Letter[REMEMBERED];

    MeasuredFont(PDType0Font font) {
        super(font.getCOSObject());
        this.font = font;
    }

    /** A letter that the font has. */
    private static final class Letter {
        private final float width;
        private final byte[] code;
        private boolean inSubset;

        Letter(float width, byte[] code) {
            this.width = width;
            this.code = code;
        }
    }

    /** @throws IllegalArgumentException where the font has no such letter: the library then seeks another font, or sign */
    private Letter letter(int codePoint) throws IOException {
        if (codePoint >= REMEMBERED) {
            return read(codePoint);
        }
        if (letters[codePoint] == null) {
            letters[codePoint] = read(codePoint);
        }
        return letters[codePoint];
    }

    private Letter read(int codePoint) throws IOException {
        String text = Character.toString(codePoint);
        return new Letter(font.getStringWidth(text), font.encode(text));
    }

    /** The sum of its letters' widths in thousandths of the size, as the font itself adds them up. */
    @Override
    public float getStringWidth(String text) throws IOException {
        float wide = 0;
        int codePoint;
        for (int at = 0; at < text.length(); at += Character.charCount(codePoint)) {
            codePoint = text.codePointAt(at);
            wide += letter(codePoint).width;
        }
        return wide;
    }

    @Override
    protected byte[] encode(int codePoint) throws IOException {
        return letter(codePoint).code;
    }

    /** Each goes into the document once, however often it is written. */
    @Override
    public void addToSubset(int codePoint) {
        Letter letter = codePoint < REMEMBERED ? letters[codePoint] : null;
        if (letter == null || !letter.inSubset) {
            font.addToSubset(codePoint);
        }
        if (letter != null) {
            letter.inSubset = true;
        }
    }

    /** Asked for while this is being made, so from what it stands on. */
    @Override
    public String getName() {
        return getCOSObject().getNameAsString(COSName.BASE_FONT);
    }

    @Override
    public PDFontDescriptor getFontDescriptor() {
        return font.getFontDescriptor();
    }

    @Override
    public Matrix getFontMatrix() {
        return font.getFontMatrix();
    }

    @Override
    public BoundingBox getBoundingBox() throws IOException {
        return font.getBoundingBox();
    }

    @Override
    public Vector getPositionVector(int code) {
        return font.getPositionVector(code);
    }

    @Override
    public Vector getDisplacement(int code) throws IOException {
        return font.getDisplacement(code);
    }

    @Override
    @SuppressWarnings("deprecation") // the library still asks for it
    public float getHeight(int code) throws IOException {
        return font.getHeight(code);
    }

    @Override
    public float getWidth(int code) throws IOException {
        return font.getWidth(code);
    }

    @Override
    public boolean hasExplicitWidth(int code) throws IOException {
        return font.hasExplicitWidth(code);
    }

    @Override
    public float getWidthFromFont(int code) throws IOException {
        return font.getWidthFromFont(code);
    }

    @Override
    public float getAverageFontWidth() {
        return font.getAverageFontWidth();
    }

    @Override
    protected float getStandard14Width(int code) {
        throw new UnsupportedOperationException("not one of the standard fonts");
    }

    @Override
    public int readCode(InputStream in) throws IOException {
        return font.readCode(in);
    }

    @Override
    public String toUnicode(int code) {
        return font.toUnicode(code);
    }

    @Override
    public boolean isVertical() {
        return font.isVertical();
    }

    @Override
    public boolean isEmbedded() {
        return font.isEmbedded();
    }

    @Override
    public boolean isDamaged() {
        return font.isDamaged();
    }

    @Override
    public void subset() throws IOException {
        font.subset();
    }

    @Override
    public boolean willBeSubset() {
        return font.willBeSubset();
    }
}
