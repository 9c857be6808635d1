package org.mapsel.standins.declarations;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.Valid;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import org.mapsel.standins.Switches;
import org.mapsel.standins.declarations.Declaration.Advice;
import org.mapsel.standins.declarations.Declaration.Kept;
import org.mapsel.standins.declarations.Declaration.Measures;
import org.mapsel.standins.declarations.Declaration.Remark;
import org.mapsel.standins.declarations.Declaration.Taken;
import org.mapsel.standins.declarations.Declaration.Wanted;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.server.ResponseStatusException;

/** The operations of Declarations. */
@RestController
class DeclarationsController {

  /** When everything happens here. */
  private static final OffsetDateTime NOW =
      OffsetDateTime.of(2031, 5, 14, 6, 40, 0, 0, ZoneOffset.UTC);

  /** More than these nobody declares in a demo; then the oldest number is given again. */
  private static final int MOST = 1_000;

  private final Map<String, Kept> kept = new ConcurrentHashMap<>();
  private final AtomicInteger numbers = new AtomicInteger();
  private final Switches switches;

  DeclarationsController(Switches switches) {
    this.switches = switches;
  }

  @Operation(operationId = "declare", summary = "Declares a vessel and its call.")
  @PostMapping("/declarations")
  @ResponseStatus(HttpStatus.CREATED)
  Taken declare(@Valid @RequestBody Wanted wanted) {
    refuse();
    String number = "D-%04d".formatted(1 + numbers.getAndIncrement() % MOST);
    List<Remark> remarks = Judgement.remarks(wanted);
    kept.put(number, new Kept(number, wanted, remarks));
    return new Taken(number, NOW, remarks);
  }

  @Operation(operationId = "getDeclaration", summary = "A declaration as it was taken in.")
  @GetMapping("/declarations/{decl_no}")
  Kept declaration(@PathVariable("decl_no") String number) {
    refuse();
    Kept found = kept.get(number);
    if (found == null) {
      throw new ResponseStatusException(
          HttpStatus.NOT_FOUND, "No declaration has the number " + number);
    }
    return found;
  }

  @Operation(operationId = "adviseMooring", summary = "How well a vessel can be moored.")
  @PostMapping("/mooring-advice")
  Advice advise(@Valid @RequestBody Measures measures) {
    refuse();
    return Judgement.advice(measures);
  }

  private void refuse() {
    if (switches.is(Switches.Mode.FAULT)) {
      throw new ResponseStatusException(HttpStatus.CONFLICT, "The office is closed for lunch.");
    }
  }
}
