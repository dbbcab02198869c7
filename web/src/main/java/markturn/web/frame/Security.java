package markturn.web.frame;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.authentication.AuthenticationEventPublisher;
import org.springframework.security.authentication.DefaultAuthenticationEventPublisher;
import org.springframework.security.authentication.InternalAuthenticationServiceException;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AuthorizeHttpRequestsConfigurer;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.core.session.SessionRegistry;
import org.springframework.security.core.session.SessionRegistryImpl;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.UsernamePasswordAuthenticationFilter;
import org.springframework.security.web.context.SecurityContextHolderFilter;
import org.springframework.security.web.csrf.CsrfException;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.security.web.savedrequest.HttpSessionRequestCache;
import org.springframework.security.web.savedrequest.RequestCache;
import org.springframework.security.web.session.HttpSessionEventPublisher;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.session.security.SpringSessionBackedSessionRegistry;

/** Every page behind the sign-in, but the sign-in itself and what it is drawn with. */
@Configuration
class Security {
    /** No inline script or style anywhere, nothing from elsewhere. */
    private static final String CONTENT_SECURITY_POLICY =
            "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:;"
                    + " font-src 'self'; connect-src 'self'; worker-src 'self'; manifest-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'";

    private static final String POLICY_OF_DATA = "default-src 'none'; frame-ancestors 'none'";

    private static final List<String> OF_DATA =
            List.of(MediaType.APPLICATION_JSON_VALUE, "text/css", "text/javascript", "font/");

    @Bean
    SecurityFilterChain pages(
            HttpSecurity http,
            SignInPace pace,
            SessionEnds ends,
            SecurityLog log,
            SessionRegistry signedIn,
            MemberRights members)
            throws Exception {
        return http.authorizeHttpRequests(Security::table)
                .formLogin(form -> form.loginPage("/sign-in")
                        .defaultSuccessUrl("/job")
                        .failureHandler(Security::failed)
                        .permitAll())
                .addFilterBefore(pace, UsernamePasswordAuthenticationFilter.class)
                .addFilterAfter(ends, SecurityContextHolderFilter.class)
                .addFilterAfter(members, SessionEnds.class)
                .csrf(csrf -> csrf.csrfTokenRepository(new TokensOfPages()))
                .exceptionHandling(refused -> refused.authenticationEntryPoint(
                                (request, response, unknown) -> toSignIn(request, response, ""))
                        .accessDeniedHandler((request, response, denied) -> denied(log, request, response, denied)))
                .logout(out -> out.logoutUrl("/sign-out")
                        .addLogoutHandler((request, response, who) ->
                                log.note("sign-out", who == null ? "" : who.getName(), request.getRemoteAddr(), ""))
                        .logoutSuccessUrl("/sign-in?out"))
                .sessionManagement(sessions -> sessions.maximumSessions(-1)
                        .sessionRegistry(signedIn)
                        .expiredSessionStrategy(ended -> toSignIn(ended.getRequest(), ended.getResponse(), "?expired")))
                .requestCache(cache -> cache.requestCache(pagesAlone()))
                .headers(headers -> headers.addHeaderWriter(Security::contentPolicy)
                        // An office's other names are not this house's to decide about.
                        .httpStrictTransportSecurity(hsts -> hsts.includeSubDomains(false))
                        .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.SAME_ORIGIN)))
                .build();
    }

    /**
     * What is no page draws nothing and fetches nothing: that is said in fewer words, since a booked line and half a hundred parts of a page
     * wait for them on a thin connection. A worker is held by the policy it comes with.
     */
    private static void contentPolicy(HttpServletRequest request, HttpServletResponse response) {
        String type = String.valueOf(response.getContentType());
        boolean data = OF_DATA.stream().anyMatch(type::startsWith)
                && !request.getRequestURI().endsWith(StaticParts.WORKER);
        response.setHeader("Content-Security-Policy", data ? POLICY_OF_DATA : CONTENT_SECURITY_POLICY);
    }

    /** Where somebody is led after signing in: back to a page under its own address, never to what a script had asked for. */
    private static RequestCache pagesAlone() {
        HttpSessionRequestCache cache = new HttpSessionRequestCache();
        cache.setMatchingRequestParameterName(null);
        cache.setRequestMatcher(request -> request.getMethod().equals(HttpMethod.GET.name()) && asksForAPage(request));
        return cache;
    }

    private static boolean asksForAPage(HttpServletRequest request) {
        return String.valueOf(request.getHeader(HttpHeaders.ACCEPT)).contains(MediaType.TEXT_HTML_VALUE);
    }

    /** Whoever asks for a page is led to the sign-in; a script is told that it is wanted, and gets no session of its own: see {@link TokensOfPages}. */
    private static void toSignIn(HttpServletRequest request, HttpServletResponse response, String why)
            throws IOException {
        if (asksForAPage(request)) {
            response.sendRedirect("/sign-in" + why);
        } else {
            response.setStatus(HttpServletResponse.SC_UNAUTHORIZED);
        }
    }

    private static void table(
            AuthorizeHttpRequestsConfigurer<HttpSecurity>.AuthorizationManagerRequestMatcherRegistry requests) {
        // What is forwarded inside the application was let in before.
        requests.dispatcherTypeMatchers(DispatcherType.FORWARD, DispatcherType.ERROR)
                .permitAll();
        for (Rights.Row row : Rights.TABLE) {
            var those = requests.requestMatchers(row.method(), row.pattern());
            switch (row.who()) {
                case ANYBODY -> those.permitAll();
                case SIGNED_IN -> those.authenticated();
                default -> those.hasAnyRole(row.who().roles());
            }
        }
        requests.anyRequest().denyAll();
    }

    /** Whoever cannot be looked up has not typed a wrong password. */
    private static void failed(HttpServletRequest request, HttpServletResponse response, AuthenticationException why)
            throws IOException {
        if (why instanceof InternalAuthenticationServiceException) {
            response.sendError(HttpServletResponse.SC_SERVICE_UNAVAILABLE);
        } else {
            response.sendRedirect("/sign-in?error");
        }
    }

    /** A page that stood open longer than its sign-in leads to the sign-in; whoever is signed in lacks the role. */
    private static void denied(
            SecurityLog log, HttpServletRequest request, HttpServletResponse response, AccessDeniedException denied)
            throws IOException {
        boolean expired = denied instanceof CsrfException && !isSignedIn();
        if (expired) {
            toSignIn(request, response, "?expired");
        } else {
            log.note(
                    "refused",
                    String.valueOf(request.getRemoteUser()),
                    request.getRemoteAddr(),
                    request.getMethod() + " " + request.getRequestURI());
            // What is nowhere is not here; what is somewhere is not theirs.
            response.sendError(
                    Rights.names(request.getRequestURI())
                            ? HttpServletResponse.SC_FORBIDDEN
                            : HttpServletResponse.SC_NOT_FOUND);
        }
    }

    /** The request does not know its principal yet where tokens are checked; the context does. */
    private static boolean isSignedIn() {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        return who != null && who.isAuthenticated();
    }

    /** Who is signed in where: people see it, and end it. Of several copies of the program each knows the sign-ins at all of them. */
    @Bean
    SessionRegistry signedIn(ObjectProvider<FindByIndexNameSessionRepository<? extends Session>> stored) {
        FindByIndexNameSessionRepository<? extends Session> repository = stored.getIfAvailable();
        return repository == null ? new SessionRegistryImpl() : new SpringSessionBackedSessionRegistry<>(repository);
    }

    @Bean
    HttpSessionEventPublisher endsOfSessions() {
        return new HttpSessionEventPublisher();
    }

    /** The filters of the chain are the chain's alone. */
    @Bean
    FilterRegistrationBean<SignInPace> paceInTheChainOnly(SignInPace pace) {
        FilterRegistrationBean<SignInPace> elsewhere = new FilterRegistrationBean<>(pace);
        elsewhere.setEnabled(false);
        return elsewhere;
    }

    @Bean
    FilterRegistrationBean<SessionEnds> endsInTheChainOnly(SessionEnds ends) {
        FilterRegistrationBean<SessionEnds> elsewhere = new FilterRegistrationBean<>(ends);
        elsewhere.setEnabled(false);
        return elsewhere;
    }

    @Bean
    FilterRegistrationBean<MemberRights> membersInTheChainOnly(MemberRights members) {
        FilterRegistrationBean<MemberRights> elsewhere = new FilterRegistrationBean<>(members);
        elsewhere.setEnabled(false);
        return elsewhere;
    }

    /** Tells the pace who came in and who did not. */
    @Bean
    AuthenticationEventPublisher signIns(ApplicationEventPublisher events) {
        return new DefaultAuthenticationEventPublisher(events);
    }

    /** Passwords are kept so that trying one costs a tenth of a second; tests, which sign in hundreds of times, say less. */
    @Bean
    PasswordEncoder passwordEncoder(@Value("${markturn.password-strength:10}") int strength) {
        return new BCryptPasswordEncoder(strength);
    }
}
