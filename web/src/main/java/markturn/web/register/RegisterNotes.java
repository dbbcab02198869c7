package markturn.web.register;

import java.util.List;
import java.util.Optional;
import org.springframework.data.repository.Repository;

interface RegisterNotes extends Repository<RegisterNote, Long> {
    RegisterNote save(RegisterNote note);

    List<RegisterNote> findByMarkIdOrderByNumber(String markId);

    Optional<RegisterNote> findByNumberAndMarkId(long number, String markId);
}
