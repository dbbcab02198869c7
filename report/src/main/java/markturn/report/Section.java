package markturn.report;

import java.util.List;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;

/**
 * A section of the report.
 *
 * @param kind what the stylesheet knows it by; empty for an ordinary one
 * @param beginsPart whether it begins a sheet of its own, and is set beside the others
 * @param blocks what stands in it, made as it is drawn: a field book of thousands of lines is not held twice
 */
public record Section(String heading, String kind, boolean beginsPart, Iterable<Block> blocks) {
    static Section of(String heading, List<Block> blocks) {
        return new Section(heading, "", false, blocks);
    }

    static Section of(String heading, Stream<Block> blocks) {
        return new Section(heading, "", false, blocks::iterator);
    }

    /** With its tables as paper has them. */
    Section with(UnaryOperator<ReportTable> set) {
        Stream<Block> of = StreamSupport.stream(blocks.spliterator(), false);
        return new Section(
                heading,
                kind,
                beginsPart,
                () -> of.map(block -> block instanceof ReportTable table ? set.apply(table) : block)
                        .iterator());
    }
}
