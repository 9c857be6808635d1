package org.mapsel.server.services;

import java.util.List;
import org.mapsel.server.services.ServiceViews.ColumnsRequest;
import org.mapsel.server.services.ServiceViews.LearnRequest;
import org.mapsel.server.services.ServiceViews.MarkRequest;
import org.mapsel.server.services.ServiceViews.OperationColumns;
import org.mapsel.server.services.ServiceViews.OperationView;
import org.mapsel.server.services.ServiceViews.ServiceBrief;
import org.mapsel.server.services.ServiceViews.ServiceView;
import org.mapsel.server.services.ServiceViews.TakeRequest;
import org.mapsel.server.services.ServiceViews.TryRequest;
import org.mapsel.server.services.ServiceViews.TryView;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Services: the list, operations and trying them. */
@RestController
@RequestMapping("/api")
class ServicesController {

  private final Workspace workspace;
  private final Operations operations;
  private final AddedSamples learning;
  private final ServiceRemoval removal;

  ServicesController(
      Workspace workspace, Operations operations, AddedSamples learning, ServiceRemoval removal) {
    this.learning = learning;
    this.workspace = workspace;
    this.operations = operations;
    this.removal = removal;
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

  /** What tables say of the operations that come into view, taken or not. */
  @PostMapping("/editions/{edition}/columns")
  List<OperationColumns> columns(
      @PathVariable String edition, @RequestBody ColumnsRequest request) {
    return operations.columns(edition, request.operations());
  }

  @PostMapping("/services/{service}/operations/{operation}/answers")
  OperationView learn(
      @PathVariable String service,
      @PathVariable String operation,
      @RequestBody LearnRequest request) {
    learning.learn(service, operation, request.exchange());
    return operations.view(service, operation);
  }

  @PutMapping("/services/{service}/operations/{operation}/marks")
  OperationView mark(
      @PathVariable String service,
      @PathVariable String operation,
      @RequestBody MarkRequest request) {
    learning.mark(service, operation, request.path(), request.parameter());
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
