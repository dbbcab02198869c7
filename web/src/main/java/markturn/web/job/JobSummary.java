package markturn.web.job;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.Entry;
import markturn.survey.SurveyResult;
import markturn.survey.finding.standing.Glance;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.web.fieldbook.Opened;

/** What the list shows of a job, made of its book up to a revision. It is remade when more is booked, and is never the truth. */
@Entity
@Table(name = "job_summary")
class JobSummary {
    private static final int LONGEST_NAMES = 2000;

    @Id
    @Column(columnDefinition = "char(36)")
    private String jobId;

    private long revision;
    private String title;
    private Instant openedAt;
    private String place;
    private boolean archived;
    private boolean practice;
    private int setups;
    private int openStops;
    private int positions;
    private int proved;
    private Instant lastWorkedAt;
    private String lastWorkedBy;
    private String bookedBy;

    @Column(columnDefinition = "mediumtext")
    private String searched;

    @Column(columnDefinition = "text")
    private String picture;

    protected JobSummary() {}

    /** Of a job that was opened this moment: nothing of it is counted yet, but the list has it, and finds it. */
    JobSummary(Opened opened) {
        this.jobId = opened.jobId();
        this.title = opened.job().name();
        this.openedAt = opened.at();
        this.place = opened.job().place();
        this.lastWorkedAt = opened.at();
        this.lastWorkedBy = opened.by();
        this.bookedBy = " " + opened.by() + " ";
        this.searched = searched(opened.job());
        this.picture = new Stamp("", "", "").text();
    }

    /** @param book with at least the entry that opened it */
    JobSummary(BookedJob book) {
        Job job = book.job();
        Glance glance = glance(book.resultInTheEnd());
        Entry last = book.entries().get(book.entries().size() - 1);
        this.jobId = book.jobId();
        this.revision = book.revision();
        this.title = job.name();
        this.openedAt = book.entries().get(0).at();
        this.place = job.place();
        this.archived = job.isArchived();
        this.practice = job.isPractice() || book.practice().isPresent();
        this.setups = job.setups().size();
        this.openStops = glance.open().size();
        this.proved = glance.proved().size();
        this.positions = proved + glance.oneSight().size() + glance.untested().size();
        this.lastWorkedAt = last.onDevice().orElse(last.at());
        this.lastWorkedBy = last.by();
        this.bookedBy = names(book);
        this.searched = searched(job);
        this.picture = Stamp.of(book.result()).text();
    }

    private static String searched(Job job) {
        return Stream.concat(
                        Stream.of(job.name(), job.place()), job.marks().stream().map(Mark::name))
                .collect(Collectors.joining("\n"))
                .toLowerCase(Locale.ROOT);
    }

    private static Glance glance(SurveyResult of) {
        return Glance.of(of.job(), of.measured(), of.judgements(), of.findings());
    }

    /** Who booked in it, each between blanks, so that one of them can be asked for. */
    private static String names(BookedJob book) {
        List<String> names =
                book.entries().stream().map(Entry::by).distinct().sorted().toList();
        StringBuilder text = new StringBuilder(" ");
        for (String name : names) {
            if (text.length() + name.length() < LONGEST_NAMES) {
                text.append(name).append(' ');
            }
        }
        return text.toString();
    }

    long revision() {
        return revision;
    }
}
