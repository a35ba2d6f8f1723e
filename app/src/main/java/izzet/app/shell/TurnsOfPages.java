package izzet.app.shell;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.handler.MappedInterceptor;

/** Pages and API take turns; files of the program itself are no work, and a backup goes as slowly as its reader likes. */
@Configuration(proxyBeanMethods = false)
class TurnsOfPages {

    private static final int A_PROCESSOR = 2;
    private static final long MOST_MILLIS = 5000;

    @Bean
    MappedInterceptor turns() {
        return new MappedInterceptor(
                new String[] {"/**"},
                new String[] {"/js/**", "/css/**", "/fonts/**", "/vendor/**", "/webjars/**", "/backup/**"},
                new Turns(A_PROCESSOR * Runtime.getRuntime().availableProcessors(), MOST_MILLIS));
    }
}
