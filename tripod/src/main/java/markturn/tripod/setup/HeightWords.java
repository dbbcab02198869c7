package markturn.tripod.setup;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.fieldbook.BookedJob;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Instrument;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Notch;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.survey.reduce.Heights;
import markturn.survey.show.Display;
import markturn.survey.show.Sentence;
import markturn.tripod.typed.Form;

/** A height of the instrument in words: as taped and vertical, and after the exchange on the tribrachs what it says of the move. */
public final class HeightWords {
    private HeightWords() {}

    /** Under {@code words} and {@code move}, or what is wrong under {@code fault}; nothing where no height is typed. */
    public static Map<String, String> of(Map<String, String> typed, BookedJob book, Instant now) {
        Form form = new Form(typed, book.job().units());
        SetupForm sheet = new SetupForm(form, book, now);
        if (form.isEmpty("height")) {
            return Map.of();
        }
        Optional<Notch> notch = sheet.instrument().flatMap(Instrument::notch);
        Optional<MeasuredHeight> height = sheet.instrumentHeight(notch);
        if (!form.isSound() || height.isEmpty()) {
            return Map.of("fault", form.faults().values().iterator().next());
        }
        Map<String, String> answer = new LinkedHashMap<>();
        answer.put("words", words(book, height.get(), notch));
        moveChecked(book, form, height.get(), notch).ifPresent(sentence -> answer.put("move", sentence));
        return answer;
    }

    private static String words(BookedJob book, MeasuredHeight height, Optional<Notch> notch) {
        Display show = new Display(book.job().units());
        String twice = height.difference().isPresent()
                ? "; the second taping differs by " + show.difference(height.difference()) + " " + show.differenceSign()
                        + ", the mean is kept"
                : "";
        String vertical = show.length(Heights.vertical(height, notch));
        return height.to() == MeasuredHeight.To.NOTCH
                ? "taped " + show.length(height.taped()) + " to the notch, " + vertical + " vertical to the axis"
                        + twice
                : vertical + " vertical to the axis" + twice;
    }

    /** After the exchange on the tribrachs: asked first, then compared with what it must be. */
    private static Optional<String> moveChecked(
            BookedJob book, Form form, MeasuredHeight height, Optional<Notch> notch) {
        Optional<Setup> before = book.job().setup(form.text("from"));
        if (before.isEmpty() || form.isEmpty("centring")) {
            return Optional.empty();
        }
        String station = form.text("station");
        Optional<Reading> sighted = before.get().readings().stream()
                .filter(r -> r.stands() && r.target().equals(station))
                .findFirst();
        OptionalDouble target =
                sighted.map(r -> Heights.ofTarget(book.job(), r)).orElse(OptionalDouble.empty());
        if (target.isEmpty()) {
            return Optional.empty();
        }
        double change = Heights.vertical(height, notch) - target.getAsDouble();
        return Optional.of(Sentence.of(
                "The target stood %s over the same tribrach's mark; the axis now stands %s %s. It can differ only by how much instrument and target differ on one tribrach.",
                new Words(book.job().units()).height(target.getAsDouble()),
                new Words(book.job().units()).difference(change),
                change < 0 ? "lower" : "higher"));
    }
}
