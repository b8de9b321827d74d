package ivesk.server.app;

import java.time.Duration;
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

/// The built interface: hashed files cached for good, the page itself never, deep links to the
/// page.
@Configuration(proxyBeanMethods = false)
class WebFilesConfiguration implements WebMvcConfigurer {

  @Override
  public void addResourceHandlers(ResourceHandlerRegistry registry) {
    registry
        .addResourceHandler("/assets/**")
        .addResourceLocations("classpath:/META-INF/resources/assets/")
        .setCacheControl(CacheControl.maxAge(Duration.ofDays(365)).cachePublic().immutable());
    // Asked for anew at each visit, so that a new build takes the place of what a device has kept.
    registry
        .addResourceHandler("/sw.js")
        .addResourceLocations("classpath:/META-INF/resources/")
        .setCacheControl(CacheControl.noCache());
  }

  @Bean
  RouterFunction<ServerResponse> pages() {
    ClassPathResource page = new ClassPathResource("META-INF/resources/index.html");
    return RouterFunctions.route()
        .GET(
            "/**",
            request ->
                !request.path().startsWith("/api")
                    && !request.path().contains(".")
                    && request.headers().accept().stream()
                        .anyMatch(type -> type.includes(MediaType.TEXT_HTML)),
            request ->
                ServerResponse.ok()
                    .contentType(MediaType.TEXT_HTML)
                    .cacheControl(CacheControl.noStore())
                    .body(page))
        .build();
  }
}
