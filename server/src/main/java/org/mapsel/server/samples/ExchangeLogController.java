package org.mapsel.server.samples;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The log of exchanges. */
@RestController
@RequestMapping("/api/exchanges")
class ExchangeLogController {

  /** An exchange in one line. */
  record ExchangeLine(
      String id,
      String service,
      String operation,
      OffsetDateTime startedAt,
      long tookMillis,
      String method,
      String address,
      @Nullable Integer status,
      long responseBytes) {}

  private final ExchangeLog log;

  ExchangeLogController(ExchangeLog log) {
    this.log = log;
  }

  /**
   * The newest exchanges that fit.
   *
   * @param failed only those that were not answered, or answered with an error
   * @param find a text in the address or in either body
   * @param before only those that are older
   */
  @GetMapping
  List<ExchangeLine> find(
      @RequestParam(defaultValue = "") String service,
      @RequestParam(defaultValue = "false") boolean failed,
      @RequestParam(defaultValue = "") String find,
      @RequestParam(required = false) OffsetDateTime before) {
    return log
        .find(new ExchangeStore.Search(service, failed, find, Optional.ofNullable(before)))
        .stream()
        .map(
            line ->
                new ExchangeLine(
                    line.id(),
                    line.service(),
                    line.operation(),
                    line.startedAt(),
                    line.tookMillis(),
                    line.method(),
                    line.address(),
                    line.status().orElse(null),
                    line.responseBytes()))
        .toList();
  }
}
