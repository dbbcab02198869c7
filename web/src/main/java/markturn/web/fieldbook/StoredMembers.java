package markturn.web.fieldbook;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface StoredMembers extends Repository<Member, Member.Key> {
    Member save(Member member);

    Optional<Member> findById(Member.Key key);

    @Query("select m from Member m where m.key.jobId = :jobId order by m.key.signInName")
    List<Member> ofJob(String jobId);

    void deleteById(Member.Key key);
}
