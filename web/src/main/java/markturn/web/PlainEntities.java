package markturn.web;

import org.hibernate.boot.registry.StandardServiceRegistryBuilder;
import org.hibernate.bytecode.internal.none.BytecodeProviderImpl;
import org.hibernate.bytecode.spi.BytecodeProvider;
import org.hibernate.service.spi.ServiceContributor;

/**
 * Tells Hibernate to take entities as they are written: none of them has a neighbour that is loaded later, which would need a class of its own
 * made for it. Made for nobody, these classes took a tenth of the start. An entity with such a neighbour is refused when it is loaded.
 */
public final class PlainEntities implements ServiceContributor {
    @Override
    public void contribute(StandardServiceRegistryBuilder builder) {
        builder.addService(BytecodeProvider.class, new BytecodeProviderImpl());
    }
}
