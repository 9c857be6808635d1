package org.mapsel.server.checks;

import java.util.Optional;
import org.mapsel.server.checks.SampleViews.GivenRequest;
import org.mapsel.server.checks.SampleViews.NewSample;
import org.mapsel.server.checks.SampleViews.PinRequest;
import org.mapsel.server.checks.SampleViews.ReplayRequest;
import org.mapsel.server.checks.SampleViews.SampleContent;
import org.mapsel.server.checks.SampleViews.SampleWire;
import org.mapsel.server.checks.SampleViews.SamplesView;
import org.mapsel.server.checks.SampleViews.ScheduleRequest;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Samples and checks. */
@RestController
@RequestMapping("/api")
class SamplesController {

  private final Samples samples;
  private final Checks checks;

  SamplesController(Samples samples, Checks checks) {
    this.checks = checks;
    this.samples = samples;
  }

  @GetMapping("/samples")
  SamplesView all() {
    return samples.all();
  }

  /** Runs all checks. */
  @PostMapping("/samples/verdicts")
  SamplesView verifyAll(@RequestParam(required = false) String service) {
    return checks.verify(Optional.ofNullable(service));
  }

  @PutMapping("/services/{service}/replay")
  SamplesView replay(@PathVariable String service, @RequestBody ReplayRequest request) {
    return samples.replay(service, request.on());
  }

  @PostMapping("/services/{service}/operations/{operation}/samples")
  @ResponseStatus(HttpStatus.CREATED)
  SamplesView keep(
      @PathVariable String service,
      @PathVariable String operation,
      @RequestBody NewSample request) {
    return samples.keep(service, operation, request);
  }

  /** Keeps what somebody gives as text. */
  @PostMapping("/services/{service}/operations/{operation}/given-samples")
  @ResponseStatus(HttpStatus.CREATED)
  SamplesView keepGiven(
      @PathVariable String service,
      @PathVariable String operation,
      @RequestBody GivenRequest request) {
    return samples.keepGiven(service, operation, request);
  }

  @DeleteMapping("/services/{service}/operations/{operation}/samples/{name}")
  SamplesView remove(
      @PathVariable String service, @PathVariable String operation, @PathVariable String name) {
    return samples.remove(service, operation, name);
  }

  /** Shows a sample in field sheets and on pages that are built. */
  @PostMapping("/services/{service}/operations/{operation}/samples/{name}/uses")
  SamplesView use(
      @PathVariable String service, @PathVariable String operation, @PathVariable String name) {
    return samples.use(service, operation, name);
  }

  @GetMapping("/services/{service}/operations/{operation}/samples/{name}/content")
  SampleContent content(
      @PathVariable String service, @PathVariable String operation, @PathVariable String name) {
    return samples.content(service, operation, name);
  }

  /** What a sample was read from. */
  @GetMapping("/services/{service}/operations/{operation}/samples/{name}/wire")
  SampleWire wire(
      @PathVariable String service, @PathVariable String operation, @PathVariable String name) {
    return samples.wire(service, operation, name);
  }

  @PutMapping("/services/{service}/operations/{operation}/samples/{name}/content")
  SamplesView change(
      @PathVariable String service,
      @PathVariable String operation,
      @PathVariable String name,
      @RequestBody SampleContent content) {
    return samples.change(service, operation, name, content);
  }

  @PutMapping("/services/{service}/operations/{operation}/samples/{name}/check")
  SamplesView pin(
      @PathVariable String service,
      @PathVariable String operation,
      @PathVariable String name,
      @RequestBody PinRequest request) {
    return checks.pin(service, operation, name, request);
  }

  @PutMapping("/services/{service}/operations/{operation}/samples/{name}/schedule")
  SamplesView schedule(
      @PathVariable String service,
      @PathVariable String operation,
      @PathVariable String name,
      @RequestBody ScheduleRequest request) {
    return checks.schedule(service, operation, name, request);
  }

  @PostMapping("/services/{service}/operations/{operation}/samples/{name}/verdicts")
  SamplesView verify(
      @PathVariable String service, @PathVariable String operation, @PathVariable String name) {
    return checks.verify(service, operation, name);
  }

  @PostMapping("/services/{service}/operations/{operation}/samples/{name}/recordings")
  SamplesView recordAgain(
      @PathVariable String service, @PathVariable String operation, @PathVariable String name) {
    return checks.recordAgain(service, operation, name);
  }
}
