package org.mapsel.server.runs;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Locale;
import java.util.function.Consumer;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.page.view.PartView;
import org.mapsel.server.entry.Entry;
import org.mapsel.server.runs.RunViews.EventRequest;
import org.mapsel.server.runs.RunViews.FigureView;
import org.mapsel.server.runs.RunViews.OriginView;
import org.mapsel.server.runs.RunViews.RunEvent;
import org.mapsel.server.runs.RunViews.RunRequest;
import org.mapsel.server.runs.RunViews.RunView;
import org.mapsel.server.runs.RunViews.SeenView;
import org.mapsel.server.samples.Stops;
import org.mapsel.server.web.LineStream;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.json.JsonMapper;

/** Pages that run. */
@RestController
@RequestMapping("/api")
class RunsController {

  private final Runs runs;
  private final Figures figures;
  private final Traces traces;
  private final Stops stops;
  private final Entry entry;
  private final JsonMapper json;

  RunsController(
      Runs runs, Figures figures, Traces traces, Stops stops, Entry entry, JsonMapper json) {
    this.json = json;
    this.traces = traces;
    this.stops = stops;
    this.entry = entry;
    this.figures = figures;
    this.runs = runs;
  }

  @PostMapping("/apps/{app}/pages/{page}/runs")
  @ApiResponse(
      content =
          @Content(
              mediaType = LineStream.MEDIA_TYPE,
              schema = @Schema(implementation = RunEvent.class)))
  void begin(
      @PathVariable String app,
      @PathVariable String page,
      @RequestBody RunRequest request,
      Locale locale,
      HttpServletResponse response) {
    tell(response, waiting -> runs.begin(app, page, request, locale, waiting));
  }

  @PostMapping("/runs/{run}/events")
  @ApiResponse(
      content =
          @Content(
              mediaType = LineStream.MEDIA_TYPE,
              schema = @Schema(implementation = RunEvent.class)))
  void event(
      @PathVariable String run,
      @RequestBody EventRequest request,
      Locale locale,
      HttpServletResponse response) {
    tell(response, waiting -> runs.event(run, request, locale, waiting));
  }

  private void tell(HttpServletResponse response, Function<Consumer<RunView>, RunView> happening) {
    LineStream lines = new LineStream(json, response);
    lines.end(
        () ->
            new RunEvent(
                null, happening.apply(view -> lines.tell(new RunEvent(view, null, null))), null),
        problem -> new RunEvent(null, null, problem));
  }

  @GetMapping("/runs/{run}/parts/{part}/rows")
  PartView.RowsView rows(
      @PathVariable String run,
      @PathVariable String part,
      @RequestParam int from,
      @RequestParam int count,
      Locale locale) {
    return runs.rows(run, part, from, count, locale);
  }

  /** A page as it was left. */
  @GetMapping("/runs/{run}")
  RunView again(@PathVariable String run, Locale locale) {
    return runs.again(run, locale);
  }

  /**
   * Where something on the page comes from, for those who build it.
   *
   * @param owner a column, a field, an input or a part
   */
  @GetMapping("/runs/{run}/origins/{owner}")
  OriginView origin(
      @PathVariable String run,
      @PathVariable String owner,
      @RequestParam(required = false) @Nullable Integer row,
      Locale locale) {
    return traces.origin(run, owner, row, locale);
  }

  /** Where on the page something of an answer is seen, for those who build it. */
  @GetMapping("/runs/{run}/exchanges/{exchange}/shown")
  SeenView shown(@PathVariable String run, @PathVariable String exchange, @RequestParam int at) {
    return traces.shown(run, exchange, at);
  }

  /** Stops waiting for services in what goes by a key. */
  @PostMapping("/stops/{key}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void stop(@PathVariable String key) {
    stops.stop(key);
  }

  /** All rows of a part as they are seen, as separated values. */
  @GetMapping(value = "/runs/{run}/parts/{part}/rows.csv", produces = "text/csv;charset=UTF-8")
  String csv(@PathVariable String run, @PathVariable String part, Locale locale) {
    return RowsFile.csv(runs.taken(run, part, locale));
  }

  /** All rows of a part as they are seen, as a workbook in which numbers are numbers. */
  @GetMapping(
      value = "/runs/{run}/parts/{part}/rows.xlsx",
      produces = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet")
  byte[] workbook(@PathVariable String run, @PathVariable String part, Locale locale) {
    return RowsFile.workbook(runs.taken(run, part, locale));
  }

  /** What a part says on a page that was just opened, for start pages. */
  @GetMapping("/open/{app}/pages/{page}/parts/{part}/figure")
  FigureView figure(
      @PathVariable String app,
      @PathVariable String page,
      @PathVariable String part,
      @RequestParam(defaultValue = "false") boolean draft,
      Locale locale) {
    if (draft) {
      entry.requireBuilder();
    }
    return figures.get(app, page, part, draft, locale);
  }
}
