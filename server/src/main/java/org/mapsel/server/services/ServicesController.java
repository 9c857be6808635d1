package org.mapsel.server.services;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.message.Access;
import org.mapsel.server.secrets.AccessForm;
import org.mapsel.server.secrets.Accesses;
import org.mapsel.server.services.ServiceViews.IntakeView;
import org.mapsel.server.services.ServiceViews.OperationView;
import org.mapsel.server.services.ServiceViews.ServiceBrief;
import org.mapsel.server.services.ServiceViews.ServiceView;
import org.mapsel.server.services.ServiceViews.TakeRequest;
import org.mapsel.server.services.ServiceViews.TryRequest;
import org.mapsel.server.services.ServiceViews.TryView;
import org.mapsel.server.web.Problem;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Services: intake, the list, operations and trying them. */
@RestController
@RequestMapping("/api")
class ServicesController {

  /**
   * What stands in the intake box: an address, or the text of a description.
   *
   * @param access for the server at the address
   */
  record IntakeRequest(String source, @Nullable AccessForm access) {
    IntakeRequest {
      Objects.requireNonNull(source);
    }
  }

  private final Workspace workspace;
  private final Operations operations;
  private final ServiceRemoval removal;
  private final Accesses accesses;

  ServicesController(
      Workspace workspace, Operations operations, ServiceRemoval removal, Accesses accesses) {
    this.accesses = accesses;
    this.workspace = workspace;
    this.operations = operations;
    this.removal = removal;
  }

  @PostMapping("/intakes")
  IntakeView read(@RequestBody IntakeRequest request) {
    String source = request.source().strip();
    if (source.isEmpty()) {
      throw Problem.refused(Finding.error("SERVER_INTAKE_EMPTY"));
    }
    return isAddress(source)
        ? workspace.readAddress(
            source, request.access() == null ? Access.NONE : accesses.given(request.access()))
        : workspace.readGiven(
            List.of(new SourceText("pasted", source.getBytes(StandardCharsets.UTF_8))));
  }

  /** One word that does not begin like a document. */
  private static boolean isAddress(String source) {
    return !source.startsWith("<")
        && !source.startsWith("{")
        && source.chars().noneMatch(Character::isWhitespace);
  }

  @PostMapping(path = "/intakes/files", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  IntakeView readFiles(@RequestParam List<MultipartFile> files) throws IOException {
    List<SourceText> given = new ArrayList<>();
    for (MultipartFile file : files) {
      String name = file.getOriginalFilename();
      given.add(new SourceText(name == null ? "file" : name, file.getBytes()));
    }
    return workspace.readGiven(given);
  }

  @GetMapping("/services")
  List<ServiceBrief> list() {
    return workspace.list();
  }

  @PostMapping("/services")
  ServiceView take(@RequestBody TakeRequest request) {
    return workspace.take(request);
  }

  @GetMapping("/services/{service}")
  ServiceView get(@PathVariable String service) {
    return workspace.get(service);
  }

  @DeleteMapping("/services/{service}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable String service) {
    removal.remove(service);
  }

  @GetMapping("/services/{service}/operations/{operation}")
  OperationView operation(@PathVariable String service, @PathVariable String operation) {
    return operations.view(service, operation);
  }

  @PostMapping("/services/{service}/operations/{operation}/tries")
  TryView tryIt(
      @PathVariable String service,
      @PathVariable String operation,
      @RequestBody TryRequest request) {
    return operations.tryIt(service, operation, request);
  }
}
