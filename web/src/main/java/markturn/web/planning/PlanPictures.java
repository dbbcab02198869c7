package markturn.web.planning;

import java.util.Optional;
import org.springframework.data.repository.Repository;

interface PlanPictures extends Repository<PlanPicture, Long> {
    PlanPicture save(PlanPicture picture);

    /** The one that was laid last. */
    Optional<PlanPicture> findFirstByJobIdOrderByNumberDesc(String jobId);
}
