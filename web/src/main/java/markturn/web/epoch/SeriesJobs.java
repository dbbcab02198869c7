package markturn.web.epoch;

import java.util.List;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface SeriesJobs extends Repository<SeriesJob, SeriesJob.Key> {
    SeriesJob save(SeriesJob job);

    @Query("select s from SeriesJob s where s.key.series = :series")
    List<SeriesJob> ofSeries(String series);
}
