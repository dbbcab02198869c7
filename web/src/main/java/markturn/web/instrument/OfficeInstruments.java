package markturn.web.instrument;

import java.util.List;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface OfficeInstruments extends Repository<OfficeInstrument, Long> {
    OfficeInstrument save(OfficeInstrument instrument);

    /** All versions, the earliest first. */
    @Query("select i from OfficeInstrument i where i.serial = :serial order by i.number")
    List<OfficeInstrument> versions(String serial);

    /** The latest version of each. */
    @Query("""
            select i from OfficeInstrument i
            where i.number = (select max(o.number) from OfficeInstrument o where o.serial = i.serial) order by i.serial""")
    List<OfficeInstrument> latest();
}
