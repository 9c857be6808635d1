package org.mapsel.server.services;

import java.util.List;
import org.mapsel.server.services.EditionViews.WatchRequest;
import org.mapsel.server.services.EditionViews.WatchView;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Which descriptions are read again now and then. */
@RestController
@RequestMapping("/api")
class WatchController {

  private static final int LONGEST = 60 * 24 * 366;

  private final Watch watch;

  WatchController(Watch watch) {
    this.watch = watch;
  }

  @GetMapping("/watches")
  List<WatchView> watches() {
    return watch.all();
  }

  @PutMapping("/services/{service}/watch")
  List<WatchView> set(@PathVariable String service, @RequestBody WatchRequest request) {
    watch.set(service, Math.clamp(request.everyMinutes(), 0, LONGEST));
    return watch.all();
  }
}
