package org.mapsel.server.entry;

import jakarta.servlet.DispatcherType;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.util.List;
import org.mapsel.core.finding.Finding;
import org.mapsel.server.web.ProblemHandler;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.security.config.Customizer;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.AnonymousAuthenticationFilter;
import tools.jackson.databind.json.JsonMapper;

/** What may be asked of this server without having signed in. */
@Configuration(proxyBeanMethods = false)
class EntryConfiguration {

  /** Visitors use what was released; {@code Runs} looks at which version each run is of. */
  private static final String[] FOR_VISITORS = {
    "/api/ready", "/api/session", "/api/open/**", "/api/runs/**", "/api/stops/*"
  };

  /** The draft, and releases that visitors do not see now. */
  private static final String[] UNRELEASED = {"/api/open/*/draft", "/api/open/*/releases/*"};

  private static final String RUNS = "/api/apps/*/pages/*/runs";

  @Bean
  SecurityFilterChain whoMayDoWhat(HttpSecurity http, Entry entry, JsonMapper json)
      throws Exception {
    return http
        // All else is for everybody: the pages themselves, and what is offered to programs.
        .securityMatcher("/api/**")
        // Only own pages change anything: the filter for that looks at the origin of each request.
        .csrf(AbstractHttpConfigurer::disable)
        // That filter sets the headers too.
        .headers(AbstractHttpConfigurer::disable)
        .logout(AbstractHttpConfigurer::disable)
        .requestCache(AbstractHttpConfigurer::disable)
        .sessionManagement(
            session -> session.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
        .anonymous(Customizer.withDefaults())
        .addFilterBefore(new EntryFilter(entry), AnonymousAuthenticationFilter.class)
        .authorizeHttpRequests(
            rules ->
                rules
                    .dispatcherTypeMatchers(
                        DispatcherType.FORWARD, DispatcherType.ERROR, DispatcherType.ASYNC)
                    .permitAll()
                    .requestMatchers(UNRELEASED)
                    .hasAuthority(Entry.BUILDER)
                    .requestMatchers(HttpMethod.GET, "/api/start")
                    .permitAll()
                    .requestMatchers(FOR_VISITORS)
                    .permitAll()
                    .requestMatchers(HttpMethod.POST, RUNS)
                    .permitAll()
                    .anyRequest()
                    .hasAuthority(Entry.BUILDER))
        .exceptionHandling(
            refused ->
                refused.authenticationEntryPoint(
                    (request, response, why) ->
                        ProblemHandler.write(
                            response,
                            json,
                            HttpStatus.UNAUTHORIZED,
                            List.of(Finding.error("SERVER_SIGN_IN_NEEDED")))))
        .build();
  }

  /** Other machines are let in only with a password and over TLS. */
  @Bean
  ApplicationRunner neverOpenToOthers(
      Entry entry,
      @Value("${server.address}") String address,
      @Value("${server.ssl.certificate:}") String certificate)
      throws UnknownHostException {
    boolean here = InetAddress.getByName(address).isLoopbackAddress();
    if (!here && (!entry.isGuarded() || certificate.isEmpty())) {
      throw new IllegalStateException(
          "Other machines are let in only with a password and over TLS."
              + " Start with --password, --certificate and --key, or without --listen.");
    }
    return arguments -> {};
  }
}
