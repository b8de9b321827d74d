package ivesk.server.app;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.concurrent.atomic.AtomicReference;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.function.RouterFunction;
import org.springframework.web.servlet.function.RouterFunctions;
import org.springframework.web.servlet.function.ServerResponse;
import org.springframework.web.servlet.resource.EncodedResourceResolver;

/// The built interface: hashed files cached for good, the page itself never, deep links to the
/// page.
@Configuration(proxyBeanMethods = false)
class WebFilesConfiguration implements WebMvcConfigurer {

  @Override
  public void addResourceHandlers(ResourceHandlerRegistry registry) {
    registry
        .addResourceHandler("/assets/**")
        .addResourceLocations("classpath:/META-INF/resources/assets/")
        .setCacheControl(CacheControl.maxAge(Duration.ofDays(365)).cachePublic().immutable())
        .resourceChain(true)
        // Compressed when they were built.
        .addResolver(new EncodedResourceResolver());
    // Asked for anew at each visit, so that a new build takes the place of what a device has kept.
    registry
        .addResourceHandler("/sw.js")
        .addResourceLocations("classpath:/META-INF/resources/")
        .setCacheControl(CacheControl.noCache());
  }

  @Bean
  RouterFunction<ServerResponse> pages() {
    ClassPathResource page = new ClassPathResource("META-INF/resources/index.html");
    AtomicReference<String> read = new AtomicReference<>();
    return RouterFunctions.route()
        .GET(
            "/**",
            request ->
                !request.path().startsWith("/api")
                    && !request.path().equals("/error")
                    && !request.path().contains(".")
                    && request.headers().accept().stream()
                        .anyMatch(type -> type.includes(MediaType.TEXT_HTML)),
            request ->
                ServerResponse.ok()
                    .contentType(MediaType.TEXT_HTML)
                    .cacheControl(CacheControl.noStore())
                    .body(
                        text(page, read)
                            .replace("__NONCE__", PageNonce.of(request.servletRequest()))
                            .replace("__ROOM__", room(request.path()))))
        .build();
  }

  /// The light that the page opens in, before its scripts have come.
  private static String room(String path) {
    return path.matches("/visits/[^/]+/(ready|treat|settle)") ? "couch" : "desk";
  }

  private static String text(ClassPathResource page, AtomicReference<String> read)
      throws IOException {
    if (read.get() == null) read.set(page.getContentAsString(StandardCharsets.UTF_8));
    return read.get();
  }
}
