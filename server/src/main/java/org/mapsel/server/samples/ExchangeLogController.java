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
      long responseBytes,
      @Nullable String app,
      @Nullable String page,
      boolean visitor) {}

  private final ExchangeLog log;

  ExchangeLogController(ExchangeLog log) {
    this.log = log;
  }

  /**
   * The newest exchanges that fit.
   *
   * @param operation of that service
   * @param app that they were made for
   * @param page of that app
   * @param visitor only those of visitors, or only those of who builds
   * @param outcome only those that it became of
   * @param find a text in the address or in either body
   * @param from only those from that time on
   * @param before only those that are older
   */
  @GetMapping
  List<ExchangeLine> find(
      @RequestParam(defaultValue = "") String service,
      @RequestParam(defaultValue = "") String operation,
      @RequestParam(defaultValue = "") String app,
      @RequestParam(defaultValue = "") String page,
      @RequestParam(required = false) @Nullable Boolean visitor,
      @RequestParam(required = false) @Nullable Outcome outcome,
      @RequestParam(defaultValue = "") String find,
      @RequestParam(required = false) @Nullable OffsetDateTime from,
      @RequestParam(required = false) @Nullable OffsetDateTime before) {
    return log
        .find(
            new ExchangeStore.Search(
                service,
                operation,
                app,
                page,
                Optional.ofNullable(visitor),
                Optional.ofNullable(outcome),
                find,
                Optional.ofNullable(from),
                Optional.ofNullable(before)))
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
                    line.responseBytes(),
                    line.asker().app().orElse(null),
                    line.asker().page().orElse(null),
                    line.asker().visitor()))
        .toList();
  }
}
