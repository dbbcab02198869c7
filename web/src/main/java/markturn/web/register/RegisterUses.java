package markturn.web.register;

import java.util.List;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface RegisterUses extends Repository<RegisterUse, RegisterUse.Key> {
    RegisterUse save(RegisterUse use);

    @Query("select u from RegisterUse u where u.key.markId = :markId order by u.usedAt desc")
    List<RegisterUse> ofMark(String markId);

    @Modifying
    @Query("delete from RegisterUse u where u.key.jobId = :jobId")
    void deleteOfJob(String jobId);
}
