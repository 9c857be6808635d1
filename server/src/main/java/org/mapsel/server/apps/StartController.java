package org.mapsel.server.apps;

import org.mapsel.server.apps.AppViews.VersionRequest;
import org.mapsel.server.apps.StartViews.StartRequest;
import org.mapsel.server.apps.StartViews.StartView;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The start page of the workspace. */
@RestController
@RequestMapping("/api/start")
class StartController {

  private final StartPage start;

  StartController(StartPage start) {
    this.start = start;
  }

  @GetMapping
  StartView get() {
    return start.view();
  }

  @PutMapping
  StartView arrange(@RequestBody StartRequest request) {
    return start.arrange(request.version(), request.folio());
  }

  @PostMapping("/undo")
  StartView takeBack(@RequestBody VersionRequest request) {
    return start.takeBack(request.version());
  }
}
