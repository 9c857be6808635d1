package org.mapsel.server.web;

import io.swagger.v3.oas.annotations.Hidden;
import org.springframework.boot.availability.ApplicationAvailability;
import org.springframework.boot.availability.ReadinessState;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** Every place of the front end has an address of its own; all of them are one document. */
@Hidden
@Controller
class PagesController {

  private final ApplicationAvailability availability;

  PagesController(ApplicationAvailability availability) {
    this.availability = availability;
  }

  /** Well once everything is there, the demo app included; the start command waits for it. */
  @GetMapping("/api/ready")
  ResponseEntity<String> ready() {
    return availability.getReadinessState() == ReadinessState.ACCEPTING_TRAFFIC
        ? ResponseEntity.ok("ready")
        : ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE).body("starting");
  }

  @GetMapping({
    "/",
    "/services/**",
    "/apps/**",
    "/samples/**",
    "/releases/**",
    // Where there is no such place the front end says so, and what to do.
    "/{place:[^.]+}"
  })
  String page() {
    return "forward:/index.html";
  }

  /** Finished pages are a program of their own, without what builds them. */
  @GetMapping({"/open", "/open/**", "/draft/**", "/release/**"})
  String visit() {
    return "forward:/visit.html";
  }
}
