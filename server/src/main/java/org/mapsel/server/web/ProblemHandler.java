package org.mapsel.server.web;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.sql.SQLException;
import java.util.List;
import org.apache.tomcat.util.http.fileupload.impl.FileCountLimitExceededException;
import org.mapsel.core.finding.Finding;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.TypeMismatchException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.servlet.resource.NoResourceFoundException;
import tools.jackson.databind.json.JsonMapper;

/** Everything that goes wrong as problem details: a stable code, a plain message and advice. */
@RestControllerAdvice
public class ProblemHandler {

  private static final Logger LOG = LoggerFactory.getLogger(ProblemHandler.class);

  /** PostgreSQL, Appendix A: character_not_in_repertoire. */
  private static final String NO_TEXT = "22021";

  /** Problem details as the whole of an answer, for what stands before all controllers. */
  public static void write(
      HttpServletResponse response, JsonMapper json, HttpStatus status, List<Finding> findings)
      throws IOException {
    response.setStatus(status.value());
    response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
    response
        .getOutputStream()
        .write(json.writeValueAsString(detail(status, findings)).getBytes(StandardCharsets.UTF_8));
  }

  @ExceptionHandler
  ProblemDetail handle(Problem problem) {
    return detail(problem.status(), problem.findings());
  }

  @ExceptionHandler
  ProblemDetail handle(HttpMessageNotReadableException unreadable) {
    LOG.debug("Unreadable request", unreadable);
    return detail(HttpStatus.BAD_REQUEST, List.of(Finding.error("SERVER_REQUEST_MALFORMED")));
  }

  /** A number or a yes or no in an address that is none. */
  @ExceptionHandler
  ProblemDetail handle(TypeMismatchException mistyped) {
    LOG.debug("Mistyped request", mistyped);
    return detail(HttpStatus.BAD_REQUEST, List.of(Finding.error("SERVER_REQUEST_MALFORMED")));
  }

  /** A form of files that is none, or of more or larger files than are taken. */
  @ExceptionHandler
  ProblemDetail handle(MultipartException broken) {
    LOG.debug("Unreadable form", broken);
    if (broken.getRootCause() instanceof FileCountLimitExceededException) {
      return detail(HttpStatus.CONTENT_TOO_LARGE, List.of(Finding.error("SERVER_FILES_TOO_MANY")));
    }
    return broken instanceof MaxUploadSizeExceededException
        ? detail(HttpStatus.CONTENT_TOO_LARGE, List.of(Finding.error("SERVER_REQUEST_TOO_LARGE")))
        : detail(HttpStatus.BAD_REQUEST, List.of(Finding.error("SERVER_REQUEST_MALFORMED")));
  }

  @ExceptionHandler
  ProblemDetail handle(NoResourceFoundException missing) {
    return detail(HttpStatus.NOT_FOUND, List.of(Finding.error("SERVER_RESOURCE_MISSING")));
  }

  /** A name in an address that no text of the database can be, as one with NUL in it. */
  @ExceptionHandler
  ProblemDetail handle(DataIntegrityViolationException refused) {
    if (refused.getMostSpecificCause() instanceof SQLException cause
        && NO_TEXT.equals(cause.getSQLState())) {
      LOG.debug("No text for the database", refused);
      return detail(HttpStatus.BAD_REQUEST, List.of(Finding.error("SERVER_REQUEST_MALFORMED")));
    }
    return handle((Exception) refused);
  }

  @ExceptionHandler
  ProblemDetail handle(Exception unexpected) {
    if (unexpected instanceof org.springframework.web.ErrorResponse known
        && known.getStatusCode().is4xxClientError()) {
      return detail(
          HttpStatus.valueOf(known.getStatusCode().value()),
          List.of(Finding.error("SERVER_REQUEST_MALFORMED")));
    }
    LOG.error("Unexpected failure", unexpected);
    return detail(
        HttpStatus.INTERNAL_SERVER_ERROR,
        List.of(
            Finding.error(
                Sent.isMarked() ? "SERVER_SENT_NOT_KEPT" : "SERVER_FAILED_UNEXPECTEDLY")));
  }

  static ProblemDetail detail(HttpStatus status, List<Finding> findings) {
    ProblemView view = ProblemView.of(status.value(), findings);
    ProblemDetail detail = ProblemDetail.forStatus(status);
    detail.setType(URI.create("urn:mapsel:problem:" + view.code()));
    detail.setTitle(view.title());
    detail.setDetail(view.detail());
    detail.setProperty("code", view.code());
    detail.setProperty("findings", view.findings());
    return detail;
  }
}
