package ivesk.server.app;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.AnnotatedElementUtils;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/// Asks each endpoint under /api for the right that it needs.
@Configuration(proxyBeanMethods = false)
class Rights implements WebMvcConfigurer, HandlerInterceptor {

  @Override
  public void addInterceptors(InterceptorRegistry registry) {
    registry.addInterceptor(this).addPathPatterns("/api/**");
  }

  @Override
  public boolean preHandle(
      HttpServletRequest request, HttpServletResponse response, Object handler) {
    if (request.getDispatcherType() != DispatcherType.REQUEST) return true;
    if (!(handler instanceof HandlerMethod method)) return true;
    if (method.getBeanType().getPackageName().startsWith("org.springdoc")) return true;
    May needed = needed(method);
    boolean open = needed != null && needed.value() == Right.ANYBODY;
    boolean may = needed != null && needed.value().heldBy(request::isUserInRole);
    if (!open && !may) throw new AccessDeniedException(method.getShortLogMessage());
    return true;
  }

  static May needed(HandlerMethod method) {
    May own = method.getMethodAnnotation(May.class);
    return own != null
        ? own
        : AnnotatedElementUtils.findMergedAnnotation(method.getBeanType(), May.class);
  }
}
