package org.mapsel.server.apps;

import java.util.Locale;
import java.util.Optional;
import org.mapsel.core.page.view.PageView;
import org.mapsel.server.apps.DriftViews.DriftView;
import org.mapsel.server.apps.DriftViews.MoveView;
import org.mapsel.server.apps.DriftViews.PreviewRequest;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What other editions of services do to those who use them. */
@RestController
@RequestMapping("/api")
class DriftController {

  private final Drifts drifts;

  DriftController(Drifts drifts) {
    this.drifts = drifts;
  }

  /**
   * What differs between the edition that the workspace uses and another one.
   *
   * @param to the other edition; nothing for the newest, beside which apps may still stand
   */
  @GetMapping("/services/{service}/drift")
  DriftView drift(@PathVariable String service, @RequestParam(required = false) String to) {
    return drifts.between(service, Optional.ofNullable(to));
  }

  /** What moving an app to another edition of a service takes; nothing is changed. */
  @GetMapping("/apps/{app}/moves")
  MoveView move(
      @PathVariable String app, @RequestParam String service, @RequestParam String edition) {
    return drifts.move(app, service, edition);
  }

  /** A page as it would be after edits; nothing is changed. */
  @PostMapping("/apps/{app}/previews")
  PageView preview(@PathVariable String app, @RequestBody PreviewRequest request, Locale locale) {
    return drifts.preview(app, request, locale);
  }
}
