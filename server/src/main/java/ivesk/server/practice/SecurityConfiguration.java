package ivesk.server.practice;

import ivesk.server.app.PageNonce;
import jakarta.servlet.DispatcherType;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.HashMap;
import java.util.Map;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.crypto.argon2.Argon2PasswordEncoder;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.DelegatingPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.context.RequestAttributeSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextHolderFilter;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import tools.jackson.databind.json.JsonMapper;

/// Who asks is known by an own cookie, a write by a token that its page read; everything under /api
/// is for somebody signed in, and what each role may there says `Right`.
@Configuration(proxyBeanMethods = false)
class SecurityConfiguration {

  /// Argon2id; hashes of before are taken, and made anew at the next sign-in.
  @Bean
  PasswordEncoder passwordEncoder() {
    Map<String, PasswordEncoder> encoders = new HashMap<>();
    encoders.put("argon2", Argon2PasswordEncoder.defaultsForSpringSecurity_v5_8());
    encoders.put("bcrypt", new BCryptPasswordEncoder());
    return new DelegatingPasswordEncoder("argon2", encoders);
  }

  @Bean
  SecurityFilterChain security(
      HttpSecurity http, JsonMapper json, SignIns signIns, AccountStore accounts) throws Exception {
    return http.authorizeHttpRequests(requests ->
            requests
                .dispatcherTypeMatchers(DispatcherType.ASYNC, DispatcherType.ERROR)
                .permitAll()
                .requestMatchers(
                    "/api/sign-in/**",
                    "/api/session",
                    "/api/first-start",
                    "/api/handset/**",
                    "/api/diary")
                .permitAll()
                .requestMatchers("/api/**")
                .authenticated()
                // The page itself holds no client's data; all of that comes from /api.
                .anyRequest()
                .permitAll())
        // No session: who asks is known anew each time. Told as a policy, it would make a new token
        // at every request, and a write beside a read would come with the old one.
        .sessionManagement(AbstractHttpConfigurer::disable)
        .securityContext(context ->
            context.securityContextRepository(new RequestAttributeSecurityContextRepository()))
        .csrf(csrf -> csrf.spa())
        .formLogin(AbstractHttpConfigurer::disable)
        .logout(AbstractHttpConfigurer::disable)
        .requestCache(AbstractHttpConfigurer::disable)
        .addFilterAfter(new SignedInFilter(signIns, accounts), SecurityContextHolderFilter.class)
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
            headers
                .addHeaderWriter(SecurityConfiguration::writePolicy)
                .referrerPolicy(policy -> policy.policy(ReferrerPolicy.NO_REFERRER))
                .permissionsPolicyHeader(policy ->
                    policy.policy("camera=(), microphone=(), geolocation=(), payment=(), usb=()")))
        .build();
  }

  /// Nothing from elsewhere, nothing inline: a page's styles carry the word of its answer.
  private static void writePolicy(HttpServletRequest request, HttpServletResponse response) {
    response.setHeader(
        "Content-Security-Policy",
        "default-src 'self'; style-src 'self' 'nonce-"
            + PageNonce.of(request)
            + "'; img-src 'self' data:; object-src 'none'; frame-ancestors 'none'; base-uri 'self';"
            + " form-action 'self'");
  }

  private static void write(
      HttpServletResponse response, JsonMapper json, HttpStatus status, String detail)
      throws IOException {
    response.setStatus(status.value());
    response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
    json.writeValue(response.getOutputStream(), ProblemDetail.forStatusAndDetail(status, detail));
  }
}
