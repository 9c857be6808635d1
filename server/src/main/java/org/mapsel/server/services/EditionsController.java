package org.mapsel.server.services;

import java.util.List;
import org.mapsel.server.services.EditionViews.EditionRequest;
import org.mapsel.server.services.EditionViews.EditionView;
import org.mapsel.server.services.EditionViews.ReadingView;
import org.mapsel.server.services.ServiceViews.ServiceView;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Services that are read again. */
@RestController
@RequestMapping("/api/services/{service}")
class EditionsController {

  private final Intakes intakes;
  private final Workspace workspace;

  EditionsController(Intakes intakes, Workspace workspace) {
    this.intakes = intakes;
    this.workspace = workspace;
  }

  /** Reads the description once more, from where it was read first; nothing else is changed. */
  @PostMapping("/readings")
  ReadingView read(@PathVariable String service) {
    String edition = intakes.readAgain(service);
    return new ReadingView(edition, !workspace.newestEdition(service).get().equals(edition));
  }

  @GetMapping("/editions")
  List<EditionView> editions(@PathVariable String service) {
    return workspace.editions(service);
  }

  /** Lets the service go on with an edition; apps stay with the one they are pinned to. */
  @PutMapping("/edition")
  ServiceView take(@PathVariable String service, @RequestBody EditionRequest request) {
    return workspace.takeEdition(service, request.edition());
  }
}
