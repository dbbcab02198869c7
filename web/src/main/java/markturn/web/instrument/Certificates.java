package markturn.web.instrument;

import java.util.List;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface Certificates extends Repository<Certificate, Long> {
    Certificate save(Certificate certificate);

    @Query(
            "select c from Certificate c where c.about like 'reflector %' order by c.about, c.issuedOn desc, c.number desc")
    List<Certificate> ofReflectors();

    @Query("select c from Certificate c where c.about = :about order by c.issuedOn desc, c.number desc")
    List<Certificate> about(String about);
}
