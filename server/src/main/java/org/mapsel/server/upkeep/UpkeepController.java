package org.mapsel.server.upkeep;

import org.mapsel.server.upkeep.UpkeepViews.UpkeepSettings;
import org.mapsel.server.upkeep.UpkeepViews.UpkeepView;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** How much is kept, and for how long. */
@RestController
@RequestMapping("/api/upkeep")
class UpkeepController {

  private final Upkeep upkeep;

  UpkeepController(Upkeep upkeep) {
    this.upkeep = upkeep;
  }

  @GetMapping
  UpkeepView look() {
    return upkeep.view();
  }

  /** Sets what is kept from the next tidying on. */
  @PutMapping("/settings")
  UpkeepView set(@RequestBody UpkeepSettings settings) {
    upkeep.set(settings);
    return upkeep.view();
  }

  /** Lets go at once what would go within the hour. */
  @PostMapping("/tidyings")
  UpkeepView tidy() {
    upkeep.tidy();
    return upkeep.view();
  }
}
