package markturn.web.people;

import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.repository.Repository;

interface OfficeLines extends Repository<OfficeLine, Long> {
    OfficeLine save(OfficeLine line);

    List<OfficeLine> findAllByOrderByNumberDesc(Limit most);
}
