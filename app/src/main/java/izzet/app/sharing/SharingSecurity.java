package izzet.app.sharing;

import izzet.app.shell.Refusal;
import jakarta.servlet.DispatcherType;
import jakarta.servlet.Filter;
import java.time.Clock;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.Ordered;
import org.springframework.http.HttpStatus;
import org.springframework.security.authorization.AuthorizationDecision;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configuration.EnableWebSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.config.annotation.web.configurers.RequestCacheConfigurer;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.core.Authentication;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.AnonymousAuthenticationFilter;
import org.springframework.security.web.firewall.RequestRejectedHandler;

/**
 * In the network, nothing is answered without a key but the page that takes one. There is no session of the server and no password: a device
 * has a key in a cookie. Changes that pages of other origins make are refused by the same filter as without the network, before this one,
 * and the cookie is not sent with them.
 */
@Configuration(proxyBeanMethods = false)
@ConditionalOnProperty("izzet.lan")
@EnableWebSecurity
class SharingSecurity {

    /** After the filter that refuses foreign origins, before all others. */
    private static final int ORDER = Ordered.HIGHEST_PRECEDENCE + 1;

    @Bean
    SecurityFilterChain keys(
            HttpSecurity http,
            Devices devices,
            PairingPage page,
            Clock clock,
            @Value("${izzet.lan.known-a-minute:3000}") int known,
            @Value("${izzet.lan.unknown-a-minute:60}") int unknown)
            throws Exception {
        return http.csrf(AbstractHttpConfigurer::disable)
                .headers(AbstractHttpConfigurer::disable)
                .requestCache(RequestCacheConfigurer::disable)
                .logout(AbstractHttpConfigurer::disable)
                .sessionManagement(s -> s.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .addFilterBefore(
                        new Visitors(devices, new Rates(clock, known), new Rates(clock, unknown)),
                        AnonymousAuthenticationFilter.class)
                .authorizeHttpRequests(a -> a.requestMatchers(PairingController.OPEN)
                        .permitAll()
                        .anyRequest()
                        .access((who, what) -> new AuthorizationDecision(may(
                                who.get(),
                                what.getRequest().getMethod(),
                                what.getRequest().getRequestURI()))))
                .exceptionHandling(e -> e.authenticationEntryPoint(
                                (request, response, fault) -> page.ask(request, response))
                        .accessDeniedHandler((request, response, fault) -> Refusal.write(
                                request,
                                response,
                                HttpStatus.FORBIDDEN,
                                "This link only reads",
                                "It shows one plan and changes nothing. For more, ask the owner to pair this device.")))
                .build();
    }

    private static boolean may(Authentication who, String method, String path) {
        return who.getPrincipal() instanceof Devices.Device d
                && who.isAuthenticated()
                && (!d.reads() || MayRead.may(method, path, d.planId()));
    }

    /** Addresses that no page of ours has. */
    @Bean
    RequestRejectedHandler odd() {
        return (request, response, fault) -> Refusal.write(
                request,
                response,
                HttpStatus.BAD_REQUEST,
                "No such address",
                "The address has signs that no address here has. Open it from a page.");
    }

    /** Only where a request comes in: what it is passed on to later was let in before. */
    @Bean
    FilterRegistrationBean<Filter> keysFirst(@Qualifier("springSecurityFilterChain") Filter chain) {
        FilterRegistrationBean<Filter> first = new FilterRegistrationBean<>(chain);
        first.setOrder(ORDER);
        first.setDispatcherTypes(DispatcherType.REQUEST);
        return first;
    }
}
