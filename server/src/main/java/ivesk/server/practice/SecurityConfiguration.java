package ivesk.server.practice;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import tools.jackson.databind.json.JsonMapper;

/// Session cookie, CSRF token in a cookie that the page reads, everything under /api signed in.
@Configuration(proxyBeanMethods = false)
class SecurityConfiguration {

  @Bean
  PasswordEncoder passwordEncoder() {
    return PasswordEncoderFactories.createDelegatingPasswordEncoder();
  }

  @Bean
  SecurityFilterChain security(HttpSecurity http, JsonMapper json, PracticeStore practice)
      throws Exception {
    return http.authorizeHttpRequests(requests ->
            requests
                .dispatcherTypeMatchers(DispatcherType.ASYNC, DispatcherType.ERROR)
                .permitAll()
                .requestMatchers("/api/sign-in", "/api/session")
                .permitAll()
                .requestMatchers("/api/**")
                .authenticated()
                // The page itself holds no client's data; all of that comes from /api.
                .anyRequest()
                .permitAll())
        .csrf(csrf -> csrf.spa())
        .formLogin(form ->
            form.loginProcessingUrl("/api/sign-in")
                .successHandler((request, response, who) -> response.setStatus(204))
                .failureHandler((request, response, why) ->
                    write(
                        response,
                        json,
                        HttpStatus.UNAUTHORIZED,
                        "Name and password do not belong together.")))
        // A restart in mid-peel must not ask for a password.
        .rememberMe(stay ->
            stay.alwaysRemember(true)
                .key(practice.staySignedInKey())
                .userDetailsService(practice)
                .tokenValiditySeconds((int) Duration.ofHours(12).toSeconds()))
        .logout(logout ->
            logout
                .logoutUrl("/api/sign-out")
                .logoutSuccessHandler((request, response, who) -> response.setStatus(204)))
        .exceptionHandling(handling ->
            handling
                .authenticationEntryPoint((request, response, why) ->
                    write(response, json, HttpStatus.UNAUTHORIZED, "Please sign in."))
                .accessDeniedHandler((request, response, why) ->
                    write(
                        response,
                        json,
                        HttpStatus.FORBIDDEN,
                        "This is not open to your account, or the page is old: reload.")))
        .headers(headers ->
            headers.contentSecurityPolicy(policy ->
                policy.policyDirectives(
                    "default-src 'self'; style-src 'self' 'unsafe-inline';"
                        + " img-src 'self' data:; frame-ancestors 'none';"
                        + " base-uri 'self'; form-action 'self'")))
        .build();
  }

  private static void write(
      HttpServletResponse response, JsonMapper json, HttpStatus status, String detail)
      throws IOException {
    response.setStatus(status.value());
    response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
    json.writeValue(response.getOutputStream(), ProblemDetail.forStatusAndDetail(status, detail));
  }
}
