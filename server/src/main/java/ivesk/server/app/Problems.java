package ivesk.server.app;

import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
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
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DatabindException;

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

  /// An id that was sent before, with something else.
  public static class Reused extends RuntimeException {
    public Reused() {
      super(
          "An entry with this id was taken before and said something else. What was taken stays;"
              + " nothing was added. Say it once more.");
    }
  }

  /// The work does not allow it now.
  public static class Refused extends RuntimeException {
    public Refused(String why) {
      super(why);
    }
  }

  /// The disk takes nothing more.
  public static class NoRoom extends RuntimeException {}

  @ExceptionHandler
  ProblemDetail noRoom(NoRoom e) {
    return noRoom();
  }

  private static ProblemDetail noRoom() {
    return problem(
        HttpStatus.INSUFFICIENT_STORAGE,
        "The disk is full",
        "The disk of the server is full: this was not saved there. Everything before it is. Make"
            + " room; it goes on by itself.");
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
  ProblemDetail reused(Reused e) {
    return problem(HttpStatus.CONFLICT, "Taken before", e.getMessage());
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
  ProblemDetail badInput(BadInput e) {
    return badInput(e.fields());
  }

  private static ProblemDetail badInput(List<BadInput.Field> fields) {
    String words =
        fields.stream().map(field -> sentence(field.detail())).collect(Collectors.joining(" "));
    ProblemDetail problem =
        problem(HttpStatus.BAD_REQUEST, "Please check", words + " Nothing was saved.");
    problem.setProperty("fields", fields);
    return problem;
  }

  /// Where an answer is made of nothing but the input, the input is at fault; anywhere else this is
  /// a fault of the server's own.
  @ExceptionHandler
  ProblemDetail impossible(IllegalArgumentException e, HandlerMethod asked) {
    boolean ofInput =
        asked.hasMethodAnnotation(StatelessQuestion.class)
            || asked.getBeanType().isAnnotationPresent(StatelessQuestion.class);
    return ofInput ? badInput(List.of(new BadInput.Field("", e.getMessage()))) : unexpected(e);
  }

  @ExceptionHandler
  ProblemDetail notYours(AccessDeniedException e) {
    return problem(
        HttpStatus.FORBIDDEN,
        "Not for this account",
        "This is not open to your account. Nothing was changed.");
  }

  /// A form that cannot be taken apart: without its boundary, for instance.
  @ExceptionHandler
  ProblemDetail unreadableForm(MultipartException e) {
    return badInput(List.of(new BadInput.Field("", "the form could not be read as it was sent")));
  }

  @ExceptionHandler
  ProblemDetail unexpected(Exception e) {
    if (ClosedDatabase.isBehind(e)) {
      LOG.error("the database takes nothing: {}", e.getMessage());
      return noRoom();
    }
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
    String field = "";
    for (Throwable cause = e; cause != null; cause = cause.getCause()) {
      if (cause instanceof DatabindException databind && !databind.getPath().isEmpty()) {
        field = databind.getPath().stream().map(Problems::step).collect(Collectors.joining("."));
      }
      if (cause instanceof IllegalArgumentException) {
        return ResponseEntity.badRequest()
            .body(badInput(List.of(new BadInput.Field(field, cause.getMessage()))));
      }
    }
    String what = field.isEmpty() ? "a value" : field;
    return ResponseEntity.badRequest()
        .body(
            badInput(
                List.of(
                    new BadInput.Field(
                        field, what + " is missing, or could not be read as it was sent"))));
  }

  private static String step(JacksonException.Reference at) {
    return at.getPropertyName() == null ? String.valueOf(at.getIndex()) : at.getPropertyName();
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
