package markturn.fieldbook;

import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;

/** What an entry names must be there: asked when it is added. */
final class Known {
    private Known() {}

    static Setup setup(Job job, String name) {
        return job.setup(name).orElseThrow(() -> new Refused("setup", "There is no setup " + name + " in this job"));
    }

    static void mark(Job job, String mark, String field) {
        if (job.mark(mark).isEmpty()) {
            throw new Refused(field, "There is no mark " + mark + " in this job");
        }
    }

    static void reflector(Job job, String name, String field) {
        if (!name.equals(Reflector.REFLECTORLESS)
                && job.reflectors().stream().noneMatch(r -> r.name().equals(name))) {
            throw new Refused(field, "There is no reflector " + name + " in this job");
        }
    }

    static ReadingPlace line(BookedJob book, String key, String field) {
        return book.place(key).orElseThrow(() -> new Refused(field, "There is no such line in this job"));
    }

    /** The setups at which lines stand, as far as they are known. */
    static Set<String> setupsOf(BookedJob book, List<String> lines) {
        return lines.stream()
                .flatMap(line -> book.place(line).stream())
                .map(ReadingPlace::setup)
                .collect(Collectors.toSet());
    }

    static void freeMark(Job job, Mark mark) {
        if (job.mark(mark.name()).isPresent()) {
            throw new Refused("name", mark.name() + " is in this job already: a name stands for one mark");
        }
    }

    static <T> void free(List<T> all, Function<T, String> nameOf, String name) {
        if (all.stream().anyMatch(each -> nameOf.apply(each).equals(name))) {
            throw new Refused("name", name + " is in this job already: expected another name");
        }
    }
}
