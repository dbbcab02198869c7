package markturn.tripod.turning;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;

/** The marks that are offered to be sighted: control of either kind, and the located points of this setup. */
public final class Offered {
    private Offered() {}

    /** Their names, in the order of the job. */
    public static List<String> marks(Job job, Setup setup) {
        Set<String> here = setup.readings().stream().map(Reading::target).collect(Collectors.toSet());
        return job.marks().stream()
                .filter(mark -> mark.kind() != Mark.Kind.LOCATED || here.contains(mark.name()))
                .map(Mark::name)
                .toList();
    }
}
