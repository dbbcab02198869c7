package markturn.web.people;

import java.util.List;
import java.util.Optional;
import org.springframework.data.repository.Repository;

interface InvitationRepository extends Repository<Invitation, String> {
    Invitation save(Invitation invitation);

    Optional<Invitation> findById(String tokenDigest);

    List<Invitation> findBySignInName(String signInName);

    List<Invitation> findAll();

    void delete(Invitation invitation);
}
