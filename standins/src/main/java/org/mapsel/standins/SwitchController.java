package org.mapsel.standins;

import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Turns the switches: {@code PUT /switches/SLOW?millis=3000}, {@code PUT /switches/NORMAL}. */
@RestController
class SwitchController {

  private final Switches switches;

  SwitchController(Switches switches) {
    this.switches = switches;
  }

  @GetMapping("/switches")
  Switches.Setting get() {
    return switches.get();
  }

  @PutMapping("/switches/{mode}")
  Switches.Setting set(
      @PathVariable Switches.Mode mode, @RequestParam(defaultValue = "3000") long millis) {
    switches.set(new Switches.Setting(mode, millis));
    return switches.get();
  }
}
