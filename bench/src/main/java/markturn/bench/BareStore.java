package markturn.bench;

import org.springframework.data.repository.Repository;

interface BareStore extends Repository<BareRow, Long> {
    BareRow save(BareRow row);
}
