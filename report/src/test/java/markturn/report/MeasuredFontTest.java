package markturn.report;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;

/** Source: the library's own font, which it stands for. */
class MeasuredFontTest {
    private static final String TEXT = "PFEILER 4: 359° 59' 58.1\" ± 0.7 mm – Höhe über Łódź, 12 345.678";

    /** Neither font nor sign: a letter of another script, and one beyond the first plane. */
    private static final String[] MISSING = {"\u5B57", "\uD83D\uDCD0"};

    private static PDType0Font font(PDDocument document) throws IOException {
        return PDType0Font.load(document, Paper.class.getResourceAsStream("mono-400.ttf"), true);
    }

    @Test
    void everyLetterIsAsWideAndWrittenAsTheFontHasIt() throws IOException {
        try (PDDocument document = new PDDocument()) {
            PDType0Font font = font(document);
            MeasuredFont measured = new MeasuredFont(font(document));
            for (int round = 0; round < 2; round++) {
                assertThat(measured.getStringWidth(TEXT)).isEqualTo(font.getStringWidth(TEXT));
                assertThat(measured.encode(TEXT)).isEqualTo(font.encode(TEXT));
            }
            for (String letter : MISSING) {
                assertThatThrownBy(() -> font.getStringWidth(letter)).isInstanceOf(IllegalArgumentException.class);
                assertThatThrownBy(() -> measured.getStringWidth("a" + letter))
                        .isInstanceOf(IllegalArgumentException.class);
            }
            assertThat(measured.getName()).isEqualTo(font.getName());
        }
    }

    /** The letters of two sheets stand in the document, each once. */
    @Test
    void whatIsWrittenWithItIsRead() throws IOException {
        ByteArrayOutputStream written = new ByteArrayOutputStream();
        try (PDDocument document = new PDDocument()) {
            MeasuredFont font = new MeasuredFont(font(document));
            for (String text : new String[] {"first 1", TEXT}) {
                PDPage page = new PDPage();
                document.addPage(page);
                try (PDPageContentStream sheet = new PDPageContentStream(document, page)) {
                    sheet.beginText();
                    sheet.setFont(font, 8);
                    sheet.newLineAtOffset(20, 700);
                    sheet.showText(text);
                    sheet.endText();
                }
            }
            document.save(written);
        }
        try (PDDocument document = Loader.loadPDF(written.toByteArray())) {
            assertThat(new PDFTextStripper().getText(document))
                    .contains("first 1")
                    .contains(TEXT);
        }
    }
}
