package markturn.report;

import java.util.List;

/** What stands in a section of the report, one below the other: finished words, with one fragment of the page for each kind. */
public interface Block {
    /** The name of the fragment that draws it. */
    String fragment();

    /** A heading within a section. */
    record Heading(String words) implements Block {
        @Override
        public String fragment() {
            return "heading";
        }
    }

    /** A paragraph; {@code kind} is empty for an ordinary one. */
    record Paragraph(String kind, String words) implements Block {
        @Override
        public String fragment() {
            return "paragraph";
        }
    }

    /** Points of a list. */
    record Points(List<String> words) implements Block {
        @Override
        public String fragment() {
            return "points";
        }
    }

    /** Findings with how each was answered. */
    record Findings(List<FindingLine> lines) implements Block {
        @Override
        public String fragment() {
            return "findings";
        }
    }

    /** The plan of the job, as SVG. */
    record Plan(String svg) implements Block {
        @Override
        public String fragment() {
            return "plan";
        }
    }

    /** What moved between two epochs, drawn. */
    record Moved(MovedDrawing drawing) implements Block {
        @Override
        public String fragment() {
            return "moved";
        }
    }

    /** Where a new sheet begins on paper. */
    record NewSheet() implements Block {
        @Override
        public String fragment() {
            return "sheet";
        }

        /** What the page holds there. */
        public String markup() {
            return Paper.NEW_SHEET;
        }
    }

    static Block words(String words) {
        return new Paragraph("", words);
    }

    static Block quiet(String words) {
        return new Paragraph("quiet", words);
    }

    static Block caution(String words) {
        return new Paragraph("caution", words);
    }
}
