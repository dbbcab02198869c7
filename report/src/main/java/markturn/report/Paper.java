package markturn.report;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PDFontSupplier;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.svgsupport.BatikSVGDrawer;
import com.openhtmltopdf.util.XRLog;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ForkJoinPool;
import java.util.concurrent.FutureTask;
import markturn.survey.job.PlainText;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.multipdf.PDFMergerUtility;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/**
 * The page of a report set on paper while it is written: A4, its fonts embedded. Wherever {@link #PART} stands in it a new sheet begins;
 * what came before is set at once, beside the rest, on whatever processor is free. In the end the parts are put together and numbered.
 */
final class Paper extends Writer {
    /** A comment of the page: what follows begins a new sheet. */
    private static final String PART = "<!--part-->";

    /** The same within a section. */
    static final String NEW_SHEET = "</section>" + PART + "<section>";

    /**
     * What the sheets' own rules say otherwise: a part numbers nothing, and begins a sheet by itself. Its fonts are there; other families
     * would be looked for with every word.
     */
    static final String RULES = "@page { @bottom-right { content: none; } @bottom-left { content: none; } }"
            + " .appendix { page-break-before: auto; }"
            + " body { font-family: Next; } td.n, td.pack, th.pack { font-family: Mono; }";

    private static final String BEGIN = "<main>";
    private static final String END = "</main></body></html>";

    private static final double POINTS_PER_MM = 72 / 25.4;
    /** The margin of the sheet and what the page keeps free within it (12 pixels), as the stylesheet has them. */
    private static final double SIDE = 14 * POINTS_PER_MM + 9;

    private static final double BELOW = 8 * POINTS_PER_MM;
    private static final float SIZE = 8;
    /** Characters of a job's name at the foot of a sheet. */
    private static final int LONGEST = 80;

    static {
        // It tells of every glyph of a bundled font that it replaces.
        XRLog.setLoggingEnabled(false);
    }

    private final StringBuilder written = new StringBuilder();
    private final List<Part> parts = new ArrayList<>();
    private String head = "";

    /** Done by whoever comes first. */
    private static final class Part extends FutureTask<byte[]> {
        private final int length;

        Part(String page) {
            super(() -> onPaper(page));
            this.length = page.length();
        }

        int length() {
            return length;
        }

        /** Waits for it; what ended it comes through. */
        byte[] pdf() {
            try {
                return get();
            } catch (ExecutionException failed) {
                throw new IllegalStateException("a part of the report could not be set", failed.getCause());
            } catch (InterruptedException stopped) {
                Thread.currentThread().interrupt();
                throw new CancellationException("the report was ended");
            }
        }
    }

    @Override
    public void write(char[] text, int from, int length) {
        int searched = Math.max(0, written.length() - PART.length());
        written.append(text, from, length);
        for (int end = written.indexOf(PART, searched); end >= 0; end = written.indexOf(PART)) {
            handOn(end);
            written.delete(0, end + PART.length());
        }
    }

    @Override
    public void flush() {
        // A part is handed on when it is whole.
    }

    /** What nobody waits for any more is not begun. */
    @Override
    public void close() {
        parts.forEach(part -> part.cancel(false));
    }

    private void handOn(int end) {
        String part = written.substring(0, end);
        if (head.isEmpty()) {
            int body = part.indexOf(BEGIN) + BEGIN.length();
            head = part.substring(0, body);
            part = part.substring(body);
        }
        Part task = new Part(head + part + END);
        parts.add(task);
        ForkJoinPool.commonPool().execute(task);
    }

    /** One part as a document of its own. What is stored may be of before texts were checked. */
    private static byte[] onPaper(String page) throws IOException {
        try (PDDocument document = new PDDocument()) {
            PdfRendererBuilder builder = new PdfRendererBuilder();
            builder.usePDDocument(document);
            builder.useFont(font(document, "next-400.ttf"), "Next", 400, FontStyle.NORMAL, true);
            builder.useFont(font(document, "next-700.ttf"), "Next", 700, FontStyle.NORMAL, true);
            builder.useFont(font(document, "next-400-italic.ttf"), "Next", 400, FontStyle.ITALIC, true);
            builder.useFont(font(document, "mono-400.ttf"), "Mono", 400, FontStyle.NORMAL, true);
            builder.useSVGDrawer(new BatikSVGDrawer());
            builder.withHtmlContent(PlainText.cleaned(page), null);
            ByteArrayOutputStream pdf = new ByteArrayOutputStream();
            builder.toStream(pdf);
            builder.run();
            return pdf.toByteArray();
        }
    }

    private static PDFontSupplier font(PDDocument document, String file) throws IOException {
        return new PDFontSupplier(new MeasuredFont(PDType0Font.load(document, glyphs(file), true)));
    }

    /** Letter by letter: to look for ligatures in every number takes longer than to write it. */
    private static TrueTypeFont glyphs(String file) throws IOException {
        TrueTypeFont glyphs = new TTFParser().parse(new RandomAccessReadBuffer(Report.class.getResourceAsStream(file)));
        glyphs.setEnableGsub(false);
        return glyphs;
    }

    /**
     * The document, when all of the page has been written; waits for its parts.
     *
     * @param job what stands at the foot of every sheet, beside its number
     */
    byte[] pdf(String job) {
        handOn(written.indexOf("</main>"));
        // Whoever waits takes part: the longest first, so that none is left alone at the end. What is begun already is
        // not begun again.
        parts.stream().sorted(Comparator.comparingInt(Part::length).reversed()).forEach(Part::run);
        try (PDDocument document = Loader.loadPDF(parts.get(0).pdf())) {
            PDFMergerUtility together = new PDFMergerUtility();
            for (Part part : parts.subList(1, parts.size())) {
                try (PDDocument more = Loader.loadPDF(part.pdf())) {
                    together.appendDocument(document, more);
                }
            }
            number(document, job);
            ByteArrayOutputStream pdf = new ByteArrayOutputStream();
            document.save(pdf);
            return pdf.toByteArray();
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
    }

    private static void number(PDDocument document, String job) throws IOException {
        TrueTypeFont glyphs = glyphs("next-400.ttf");
        PDFont font = PDType0Font.load(document, glyphs, true);
        String name = written(glyphs, job);
        int sheet = 0;
        for (PDPage page : document.getPages()) {
            sheet++;
            String number = sheet + " / " + document.getNumberOfPages();
            double wide = font.getStringWidth(number) / 1000 * SIZE;
            try (PDPageContentStream foot = new PDPageContentStream(document, page, AppendMode.APPEND, true, true)) {
                write(foot, font, SIDE, name);
                write(foot, font, page.getMediaBox().getWidth() - SIDE - wide, number);
            }
        }
    }

    /** As far as there is room, and with a sign for what the font has no glyph for. */
    private static String written(TrueTypeFont glyphs, String job) throws IOException {
        CmapLookup known = glyphs.getUnicodeCmapLookup();
        return job.codePoints()
                .limit(LONGEST)
                .map(letter -> known.getGlyphId(letter) == 0 ? '#' : letter)
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString();
    }

    private static void write(PDPageContentStream foot, PDFont font, double from, String text) throws IOException {
        foot.beginText();
        foot.setFont(font, SIZE);
        foot.newLineAtOffset((float) from, (float) BELOW);
        foot.showText(text);
        foot.endText();
    }
}
