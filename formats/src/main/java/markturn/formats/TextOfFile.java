package markturn.formats;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;

/** The letters of a file that people made: UTF-8, or what older programs wrote. */
final class TextOfFile {
    private TextOfFile() {}

    static String read(byte[] file, List<String> remarks) throws FaultyFile {
        if (file.length > StrictJson.LARGEST_FILE) {
            throw PointTable.fault("", "the file has %d MB; at most 64 MB are read".formatted(file.length >> 20));
        }
        for (int i = 0; i < Math.min(file.length, 4096); i++) {
            if (file[i] == 0) {
                throw PointTable.fault("byte " + (i + 1), "not a text file; expected a table of points");
            }
        }
        String text;
        try {
            text = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(file))
                    .toString();
        } catch (CharacterCodingException older) {
            text = new String(file, Charset.forName("windows-1252"));
            remarks.add("The file is not UTF-8; its letters were taken as Western European (Windows-1252).");
        }
        return text.startsWith("\uFEFF") ? text.substring(1) : text;
    }
}
