package izzet.app;

import izzet.app.backup.DataFault;
import izzet.app.backup.DataGuard;
import izzet.app.backup.DataKeeper;
import izzet.app.store.SharedDatabase;
import java.nio.file.Path;
import java.time.Clock;
import org.springframework.boot.context.event.ApplicationEnvironmentPreparedEvent;
import org.springframework.boot.web.server.PortInUseException;
import org.springframework.context.ApplicationContextInitializer;
import org.springframework.context.ApplicationListener;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.core.env.Environment;

/** The folder of data, before anything opens it; and what it has to say of a start that failed on it. */
final class DataReady
        implements ApplicationListener<ApplicationEnvironmentPreparedEvent>,
                ApplicationContextInitializer<ConfigurableApplicationContext> {

    private DataGuard guard;

    @Override
    public void onApplicationEvent(ApplicationEnvironmentPreparedEvent event) {
        Environment environment = event.getEnvironment();
        SharedDatabase.fault(environment).ifPresent(f -> {
            throw new DataFault(f);
        });
        SharedUse.fault(environment).ifPresent(f -> {
            throw new DataFault(f);
        });
        String url = environment.getProperty("spring.datasource.url", "");
        // Not while the build makes the bean definitions.
        if (url.startsWith("jdbc:h2:file:") && !Boolean.getBoolean("spring.aot.processing")) {
            Path data = Path.of(environment.getRequiredProperty("izzet.data"));
            guard = new DataGuard(data, DataKeeper.settings(url), Clock.systemUTC());
            guard.prepare();
        }
    }

    @Override
    public void initialize(ConfigurableApplicationContext context) {
        if (guard != null) {
            context.getBeanFactory().registerSingleton("dataGuard", guard);
        }
    }

    /** What the database itself has to say, where it is the cause; else the fault. */
    RuntimeException explained(RuntimeException fault) {
        if (guard == null) {
            return fault;
        }
        for (Throwable t = fault; t != null; t = t.getCause()) {
            if (t instanceof DataFault || t instanceof PortInUseException) {
                return fault;
            }
        }
        try {
            guard.explain();
            return fault;
        } catch (RuntimeException e) {
            return e;
        }
    }
}
