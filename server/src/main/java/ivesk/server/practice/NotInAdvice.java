package ivesk.server.practice;

import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;

/// Whoever is asked for a password or a PIN, at the door or at the spot, hears the same.
@RestControllerAdvice
@Order(Ordered.HIGHEST_PRECEDENCE)
class NotInAdvice {

  /// 401, or 429 with how long to wait.
  @ExceptionHandler
  ResponseEntity<ProblemDetail> notIn(NotIn e) {
    HttpStatus status =
        e.retryAfter().isPresent() ? HttpStatus.TOO_MANY_REQUESTS : HttpStatus.UNAUTHORIZED;
    ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, e.getMessage());
    if (e.codeNeeded()) problem.setProperty("codeNeeded", true);
    ResponseEntity.BodyBuilder answer = ResponseEntity.status(status);
    e.retryAfter()
        .ifPresent(
            pause -> answer.header(HttpHeaders.RETRY_AFTER, Long.toString(pause.toSeconds() + 1)));
    return answer.body(problem);
  }

  /// 429 with how long to wait.
  @ExceptionHandler
  ResponseEntity<ProblemDetail> slowed(SlowDown.Slowed e) {
    return ResponseEntity.status(HttpStatus.TOO_MANY_REQUESTS)
        .header(HttpHeaders.RETRY_AFTER, Long.toString(e.pause().toSeconds() + 1))
        .body(ProblemDetail.forStatusAndDetail(HttpStatus.TOO_MANY_REQUESTS, e.getMessage()));
  }
}
