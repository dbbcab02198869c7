package markturn.web.register;

import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface RegisterMarks extends Repository<RegisterMark, String> {
    RegisterMark save(RegisterMark mark);

    Optional<RegisterMark> findById(String id);

    Optional<RegisterMark> findByNameAndDatum(String name, String datum);

    List<RegisterMark> findByDatumOrderByName(String datum);

    @Query(
            "select m from RegisterMark m where lower(m.name) like :pattern or lower(m.datum) like :pattern order by m.datum, m.name")
    List<RegisterMark> found(String pattern, Limit most);
}
