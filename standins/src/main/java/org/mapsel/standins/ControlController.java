package org.mapsel.standins;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/**
 * What the page of the stand-ins shows and does: the last requests, and the switches ({@code PUT
 * /switches/SLOW?millis=3000}, {@code PUT /switches/NORMAL}).
 */
@RestController
class ControlController {

  private static final String SWITCHES = "/switches";
  private static final String REQUESTS = "/requests";

  private final Switches switches;
  private final RequestLog requests;

  ControlController(Switches switches, RequestLog requests) {
    this.switches = switches;
    this.requests = requests;
  }

  /** Whether a request is about the stand-ins, not to one of them. */
  static boolean isControl(String path) {
    return path.equals("/")
        || path.equals("/index.html")
        || path.equals("/favicon.ico")
        || path.equals(REQUESTS)
        || path.startsWith(SWITCHES);
  }

  @GetMapping(SWITCHES)
  Switches.Setting get() {
    return switches.get();
  }

  @PutMapping(SWITCHES + "/{mode}")
  Switches.Setting set(
      @PathVariable Switches.Mode mode, @RequestParam(defaultValue = "3000") long millis) {
    switches.set(new Switches.Setting(mode, millis));
    return switches.get();
  }

  @GetMapping(REQUESTS)
  List<RequestLog.Arrived> requests() {
    return requests.last();
  }
}
