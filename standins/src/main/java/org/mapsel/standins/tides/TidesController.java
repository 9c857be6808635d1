package org.mapsel.standins.tides;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import org.mapsel.standins.Switches;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;

/** The operations of Tides. */
@RestController
@RequestMapping("/tides")
class TidesController {

  /** A place where the sea is measured. */
  record Station(
      @NotNull String code,
      @NotNull String name,
      @NotNull Double latitude,
      @NotNull Double longitude,
      LocalDate since) {}

  /** The sea at one moment. */
  record Height(
      @NotNull OffsetDateTime at,
      @NotNull @Schema(description = "Metres above chart datum.") Double metres) {}

  /** The heights of a day. */
  record Series(@NotNull String station, @NotNull LocalDate day, @NotNull List<Height> heights) {}

  /** How much a warning matters. */
  enum Level {
    NOTICE,
    WARNING,
    DANGER
  }

  /** Something that mariners should know. */
  record Warning(
      @NotNull Long id,
      @NotNull String station,
      @NotNull Level level,
      @NotNull String text,
      @NotNull OffsetDateTime until) {}

  /** A part of all warnings, and where the next part is. */
  record WarningPage(
      @NotNull List<Warning> warnings,
      @NotNull Integer page,
      @NotNull Integer total,
      String next) {}

  /** A warning that is to be given. */
  record NewWarning(
      @NotBlank @Size(min = 3, max = 3) String station,
      @NotNull Level level,
      @NotBlank @Size(max = 200) String text,
      @Min(1) @Max(72) int hours) {}

  /** A picture as it was taken in. */
  record Photo(
      @NotNull String station,
      String caption,
      @NotNull @Schema(description = "What kind of file came.") String mediaType,
      @NotNull @Schema(description = "How many bytes came.") Long size) {}

  private final Sea sea;
  private final Switches switches;

  TidesController(Sea sea, Switches switches) {
    this.sea = sea;
    this.switches = switches;
  }

  @Operation(operationId = "listStations", summary = "Every station.")
  @GetMapping("/stations")
  List<Station> stations(
      @RequestParam(required = false) String named,
      @Parameter(description = "Only these ones.") @RequestParam(defaultValue = "")
          List<String> code) {
    refuse();
    return sea.stations(switches.is(Switches.Mode.HUGE) ? 20_000 : 0).stream()
        .filter(one -> code.isEmpty() || code.contains(one.code()))
        .filter(one -> named == null || one.name().toLowerCase().contains(named.toLowerCase()))
        .toList();
  }

  @Operation(operationId = "getStation", summary = "One station.")
  @ApiResponse(responseCode = "200", description = "The station.")
  @GetMapping("/stations/{code}")
  Station station(@PathVariable String code) {
    refuse();
    return sea.station(code)
        .orElseThrow(
            () ->
                new ResponseStatusException(HttpStatus.NOT_FOUND, "No station is called " + code));
  }

  @Operation(operationId = "getHeights", summary = "The heights of a day at a station.")
  @GetMapping("/stations/{code}/heights")
  Series heights(
      @PathVariable String code,
      @RequestParam LocalDate day,
      @RequestParam(defaultValue = "60") @Min(10) @Max(360) int everyMinutes) {
    return new Series(station(code).code(), day, sea.heights(code, day, everyMinutes));
  }

  @Operation(operationId = "listWarnings", summary = "Warnings in force, some at a time.")
  @GetMapping("/warnings")
  WarningPage warnings(
      @RequestParam(defaultValue = "0") @Min(0) int page,
      @RequestParam(defaultValue = "5") @Min(1) @Max(100) int size) {
    refuse();
    List<Warning> all = sea.warnings();
    int from = Math.min(page * size, all.size());
    int to = Math.min(from + size, all.size());
    String next = to < all.size() ? "/tides/warnings?page=" + (page + 1) + "&size=" + size : null;
    return new WarningPage(all.subList(from, to), page, all.size(), next);
  }

  @Operation(operationId = "addWarning", summary = "Gives a warning.")
  @PostMapping("/warnings")
  @ResponseStatus(HttpStatus.CREATED)
  Warning addWarning(@Valid @RequestBody NewWarning warning) {
    station(warning.station());
    return sea.add(warning);
  }

  @Operation(operationId = "addPhoto", summary = "Keeps a picture of a station.")
  @PostMapping(path = "/stations/{code}/photos", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @ResponseStatus(HttpStatus.CREATED)
  Photo addPhoto(
      @PathVariable String code,
      @RequestPart MultipartFile photo,
      @RequestPart(required = false) String caption) {
    String type = photo.getContentType() == null ? "" : photo.getContentType();
    return new Photo(station(code).code(), caption, type, photo.getSize());
  }

  private void refuse() {
    if (switches.is(Switches.Mode.FAULT)) {
      throw new ResponseStatusException(HttpStatus.CONFLICT, "The gauge is being cleaned.");
    }
  }
}
