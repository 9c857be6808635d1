package org.mapsel.server.checks;

import org.mapsel.server.checks.LoggedViews.ComparisonView;
import org.mapsel.server.checks.LoggedViews.KeepRequest;
import org.mapsel.server.checks.LoggedViews.SentAgain;
import org.mapsel.server.checks.LoggedViews.ShownAgain;
import org.mapsel.server.checks.SampleViews.SamplesView;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Exchanges of the log that are put to use. */
@RestController
@RequestMapping("/api/exchanges/{exchange}")
class LoggedExchangesController {

  private final LoggedExchanges exchanges;

  LoggedExchangesController(LoggedExchanges exchanges) {
    this.exchanges = exchanges;
  }

  /** Sends it once more. */
  @PostMapping("/repeats")
  SentAgain again(@PathVariable String exchange) {
    return exchanges.again(exchange);
  }

  /** Shows it in the field sheet of its operation. */
  @PostMapping("/uses")
  ShownAgain show(@PathVariable String exchange) {
    return exchanges.show(exchange);
  }

  /** Keeps it as a sample. */
  @PostMapping("/samples")
  @ResponseStatus(HttpStatus.CREATED)
  SamplesView keep(@PathVariable String exchange, @RequestBody KeepRequest request) {
    return exchanges.keep(exchange, request.name());
  }

  /**
   * How the answer of another exchange differs from that of this one.
   *
   * @param with the other one
   */
  @GetMapping("/comparison")
  ComparisonView compare(@PathVariable String exchange, @RequestParam String with) {
    return exchanges.compare(exchange, with);
  }
}
