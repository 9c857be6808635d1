package org.mapsel.server.runs;

import org.mapsel.server.runs.RunViews.PreviewView;
import org.mapsel.server.runs.RunViews.RunRequest;
import org.mapsel.server.runs.RunViews.RunView;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Pages that run, for real or with samples. */
@RestController
@RequestMapping("/api/apps/{app}/pages/{page}")
class RunsController {

  private final Runs runs;

  RunsController(Runs runs) {
    this.runs = runs;
  }

  @PostMapping("/events")
  RunView run(
      @PathVariable String app, @PathVariable String page, @RequestBody RunRequest request) {
    return runs.run(app, page, request);
  }

  @GetMapping("/preview")
  PreviewView preview(@PathVariable String app, @PathVariable String page) {
    return runs.preview(app, page);
  }
}
