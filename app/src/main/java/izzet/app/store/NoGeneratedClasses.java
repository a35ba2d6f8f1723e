package izzet.app.store;

import org.hibernate.boot.registry.StandardServiceRegistryBuilder;
import org.hibernate.bytecode.internal.none.BytecodeProviderImpl;
import org.hibernate.bytecode.spi.BytecodeProvider;
import org.hibernate.service.spi.ServiceContributor;

/**
 * Hibernate makes no classes of its own while it starts: entities are final and have no associations, so that none needs a proxy, and what
 * reads their fields faster afterwards takes longer to make than it saves.
 */
public final class NoGeneratedClasses implements ServiceContributor {

    @Override
    public void contribute(StandardServiceRegistryBuilder registry) {
        registry.addService(BytecodeProvider.class, new BytecodeProviderImpl());
    }
}
