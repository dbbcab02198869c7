package markturn.web.register;

import java.util.List;
import org.springframework.data.repository.Repository;

interface RegisterValues extends Repository<RegisterValue, Long> {
    RegisterValue save(RegisterValue value);

    List<RegisterValue> findByMarkIdOrderByNumber(String markId);
}
