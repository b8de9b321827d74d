package ivesk.server.app;

import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;

/// Turns exceptions into problem details (RFC 9457): what happened, what is kept, what to do.
@RestControllerAdvice
public class Problems extends ResponseEntityExceptionHandler {
  private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

  /// Nothing of that kind with that id.
  public static class NotFound extends RuntimeException {
    public NotFound(String what, UUID id) {
      super("There is no " + what + " " + id + ".");
    }
  }

  /// Somebody else saved in between.
  public static class Stale extends RuntimeException {
    public Stale(String what) {
      super(
          what
              + " was changed on another screen. Nothing of yours was saved over it. Reload to see"
              + " both.");
    }
  }

  /// The work does not allow it now.
  public static class Refused extends RuntimeException {
    public Refused(String why) {
      super(why);
    }
  }

  @ExceptionHandler
  ProblemDetail notFound(NotFound e) {
    return problem(HttpStatus.NOT_FOUND, "Not found", e.getMessage());
  }

  @ExceptionHandler
  ProblemDetail stale(Stale e) {
    return problem(HttpStatus.CONFLICT, "Changed elsewhere", e.getMessage());
  }

  @ExceptionHandler
  ProblemDetail refused(Refused e) {
    return problem(HttpStatus.UNPROCESSABLE_CONTENT, "Not now", e.getMessage());
  }

  /// Nothing is lost: what cannot be read here stays as it was kept.
  @ExceptionHandler
  ProblemDetail unreadable(StorageMapper.Unreadable e) {
    LOG.warn("unreadable record: {}", e.getMessage());
    return problem(HttpStatus.UNPROCESSABLE_CONTENT, "Cannot be read here", e.getMessage());
  }

  @ExceptionHandler
  ProblemDetail impossible(IllegalArgumentException e) {
    return problem(
        HttpStatus.BAD_REQUEST, "Please check", sentence(e.getMessage()) + " Nothing was saved.");
  }

  @ExceptionHandler
  ProblemDetail notYours(AccessDeniedException e) {
    return problem(
        HttpStatus.FORBIDDEN,
        "Not for this account",
        "This is not open to your account. Nothing was changed.");
  }

  @ExceptionHandler
  ProblemDetail unexpected(Exception e) {
    LOG.error("unexpected", e);
    return problem(
        HttpStatus.INTERNAL_SERVER_ERROR,
        "Something broke",
        "This step was not saved; everything before it is. Try again, then reload.");
  }

  @Override
  protected ResponseEntity<Object> handleHttpMessageNotReadable(
      HttpMessageNotReadableException e,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    Throwable cause = e;
    while (cause != null && !(cause instanceof IllegalArgumentException)) cause = cause.getCause();
    String what =
        cause != null ? sentence(cause.getMessage()) : "A value could not be read as it was sent.";
    return ResponseEntity.badRequest()
        .body(problem(HttpStatus.BAD_REQUEST, "Please check", what + " Nothing was saved."));
  }

  private static String sentence(String words) {
    return words.isEmpty()
        ? ""
        : Character.toUpperCase(words.charAt(0))
            + words.substring(1)
            + (words.endsWith(".") ? "" : ".");
  }

  private static ProblemDetail problem(HttpStatus status, String title, String detail) {
    ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, detail);
    problem.setTitle(title);
    return problem;
  }
}
