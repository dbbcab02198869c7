package markturn.web;

import jakarta.persistence.EntityManager;
import jakarta.persistence.EntityManagerFactory;
import java.util.List;
import java.util.Set;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.Stream;
import javax.sql.DataSource;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.BeansException;
import org.springframework.beans.factory.BeanFactoryUtils;
import org.springframework.beans.factory.ListableBeanFactory;
import org.springframework.beans.factory.config.AutowireCapableBeanFactory;
import org.springframework.beans.factory.config.BeanFactoryPostProcessor;
import org.springframework.beans.factory.config.DependencyDescriptor;
import org.springframework.beans.factory.support.DefaultListableBeanFactory;
import org.springframework.boot.jpa.EntityManagerFactoryBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.ContextAnnotationAutowireCandidateResolver;
import org.springframework.context.event.EventListener;
import org.springframework.core.io.ResourceLoader;
import org.springframework.dao.support.PersistenceExceptionTranslator;
import org.springframework.data.jpa.mapping.JpaMetamodelMappingContext;
import org.springframework.data.jpa.repository.support.JpaRepositoryFactoryBean;
import org.springframework.data.repository.Repository;
import org.springframework.orm.jpa.JpaVendorAdapter;
import org.springframework.orm.jpa.LocalContainerEntityManagerFactoryBean;
import org.springframework.orm.jpa.SharedEntityManagerCreator;
import org.springframework.orm.jpa.persistenceunit.PersistenceManagedTypes;
import org.springframework.orm.jpa.persistenceunit.PersistenceManagedTypesScanner;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.web.context.support.ServletRequestHandledEvent;

/**
 * Has Hibernate and the repositories made behind the first page, or when something asks them before that: the page of the sign-in needs
 * none of them, and making them takes a third of the start. Whoever is given one of them gets a stand-in that fetches it when it is used.
 */
@Configuration(proxyBeanMethods = false)
class Persistence {
    private static final Logger LOG = LoggerFactory.getLogger(Persistence.class);

    private static final Set<Class<?>> LATER =
            Set.of(EntityManager.class, EntityManagerFactory.class, PlatformTransactionManager.class);

    private final ConfigurableApplicationContext beans;
    private final AtomicBoolean begun = new AtomicBoolean();

    Persistence(ConfigurableApplicationContext beans) {
        this.beans = beans;
    }

    /** In place of the framework's own, which it begins with before any other part, whoever asks for it. */
    @Bean
    static EntityManagerFactory entityManagerFactory(
            EntityManagerFactoryBuilder builder,
            DataSource database,
            PersistenceManagedTypes entities,
            AutowireCapableBeanFactory beans) {
        LocalContainerEntityManagerFactoryBean factory =
                builder.dataSource(database).managedTypes(entities).build();
        beans.initializeBean(factory, "entityManagerFactory");
        return factory.getObject();
    }

    /** Of the factory itself, not of a stand-in: it is by that one that a transaction is found. */
    @Bean
    static EntityManager entityManager(ListableBeanFactory beans) {
        return SharedEntityManagerCreator.createSharedEntityManager(beans.getBean(EntityManagerFactory.class));
    }

    @Bean
    static PersistenceManagedTypes entities(ResourceLoader classes) {
        return new PersistenceManagedTypesScanner(classes).scan(Persistence.class.getPackageName());
    }

    /** What Hibernate and the database throw, in the framework's words, as its own factory would have it. */
    @Bean
    static PersistenceExceptionTranslator faults(JpaVendorAdapter hibernate) {
        return hibernate.getJpaDialect();
    }

    @Bean
    static BeanFactoryPostProcessor madeWhenAsked() {
        return beans -> {
            ((DefaultListableBeanFactory) beans).setAutowireCandidateResolver(new StandIns());
            partsOf(beans).forEach(name -> beans.getBeanDefinition(name).setLazyInit(true));
        };
    }

    /** The names of all that is made later. */
    private static List<String> partsOf(ListableBeanFactory beans) {
        return Stream.concat(
                        LATER.stream(), Stream.of(JpaMetamodelMappingContext.class, JpaRepositoryFactoryBean.class))
                .flatMap(type -> Stream.of(beans.getBeanNamesForType(type, true, false)))
                .map(BeanFactoryUtils::transformedBeanName)
                .toList();
    }

    /** Who asked for the first page has it: now the rest is made, so that nobody waits for it who has typed a name and a password. */
    @EventListener
    void answered(ServletRequestHandledEvent first) {
        if (begun.compareAndSet(false, true)) {
            Thread behind = new Thread(this::make, "persistence");
            behind.setDaemon(true);
            behind.start();
        }
    }

    private void make() {
        try {
            partsOf(beans).forEach(beans::getBean);
        } catch (BeansException fault) {
            // Whoever asks next tries again and is told; here it is told to whoever runs the program, if it is not just
            // ending.
            if (!beans.isClosed()) {
                LOG.error("what asks the database could not be made", fault);
            }
        }
    }

    private static final class StandIns extends ContextAnnotationAutowireCandidateResolver {
        @Override
        protected boolean isLazy(DependencyDescriptor wanted) {
            Class<?> type = wanted.getDependencyType();
            // Where something may be missing, whether it is there must be told at once.
            boolean later = LATER.contains(type) || Repository.class.isAssignableFrom(type);
            return super.isLazy(wanted) || later && wanted.isRequired();
        }
    }
}
