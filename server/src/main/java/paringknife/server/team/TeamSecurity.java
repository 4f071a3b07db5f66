package paringknife.server.team;

import static jakarta.servlet.DispatcherType.ASYNC;
import static jakarta.servlet.DispatcherType.ERROR;
import static jakarta.servlet.DispatcherType.FORWARD;
import static org.springframework.http.HttpMethod.DELETE;
import static org.springframework.http.HttpMethod.GET;
import static org.springframework.http.HttpMethod.HEAD;
import static org.springframework.http.HttpMethod.POST;
import static org.springframework.http.HttpMethod.PUT;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.web.SecurityFilterChain;
import paringknife.server.web.Answers;
import paringknife.server.web.TeamDoor;

/**
 * What may be done by which door; what goes on within an answer was allowed when it was asked for:
 * at this machine everything without signing in; from others what one's role allows. Our own filter
 * holds for both what headers say, and that only our own pages change anything.
 */
@Configuration
@ConditionalOnWebApplication
class TeamSecurity {
  private static final String[] FOR_STRANGERS = {
    "/assets/**", "/sign-in", "/welcome/*", "/proof/**", "/api/proof/**", "/api/invitations/*"
  };

  @Bean
  @Order(1)
  SecurityFilterChain fromOtherMachines(HttpSecurity http, TeamDoor door, SignedInBy signedIn)
      throws Exception {
    return plain(http)
        .securityMatcher(door::isUsedBy)
        .securityContext(c -> c.securityContextRepository(signedIn))
        .authorizeHttpRequests(
            asked ->
                asked
                    .dispatcherTypeMatchers(FORWARD, ASYNC, ERROR)
                    .permitAll()
                    .requestMatchers(FOR_STRANGERS)
                    .permitAll()
                    .requestMatchers(POST, "/api/session")
                    .permitAll()
                    .requestMatchers("/api/team/**", "/team")
                    .hasRole(Role.OWNER.name())
                    .requestMatchers(DELETE, "/api/session")
                    .authenticated()
                    .requestMatchers(PUT, "/api/session/password")
                    .authenticated()
                    .requestMatchers(POST, "/api/presence")
                    .authenticated()
                    .requestMatchers(GET)
                    .authenticated()
                    .requestMatchers(HEAD)
                    .authenticated()
                    .anyRequest()
                    .hasAnyRole(Role.OWNER.name(), Role.EDITOR.name()))
        .exceptionHandling(
            e ->
                e.authenticationEntryPoint((request, response, why) -> ask(request, response))
                    .accessDeniedHandler((request, response, why) -> deny(request, response)))
        .build();
  }

  @Bean
  @Order(2)
  SecurityFilterChain atThisMachine(HttpSecurity http) throws Exception {
    return plain(http).authorizeHttpRequests(asked -> asked.anyRequest().permitAll()).build();
  }

  private static HttpSecurity plain(HttpSecurity http) throws Exception {
    return http.sessionManagement(s -> s.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
        .csrf(AbstractHttpConfigurer::disable)
        .headers(AbstractHttpConfigurer::disable)
        .requestCache(AbstractHttpConfigurer::disable)
        .logout(AbstractHttpConfigurer::disable)
        .anonymous(AbstractHttpConfigurer::disable);
  }

  private static void ask(HttpServletRequest request, HttpServletResponse response)
      throws IOException {
    String path = request.getServletPath();
    if (path.startsWith("/api/") || !request.getMethod().equals(GET.name())) {
      Answers.refuse(response, 401, "Sign in to go on.");
      return;
    }
    String query = request.getQueryString();
    String to = query == null ? path : path + "?" + query;
    response.setStatus(302);
    response.setHeader("Location", "/sign-in?to=" + URLEncoder.encode(to, StandardCharsets.UTF_8));
  }

  private static void deny(HttpServletRequest request, HttpServletResponse response)
      throws IOException {
    boolean looks = request.getUserPrincipal() != null && request.isUserInRole("VIEWER");
    Answers.refuse(
        response,
        403,
        looks
            ? "You may look at everything here and change nothing; ask an owner for more."
            : "Only an owner may do this.");
  }
}
