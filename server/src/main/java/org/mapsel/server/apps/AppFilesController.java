package org.mapsel.server.apps;

import java.util.Optional;
import org.mapsel.server.apps.AppViews.AppBrief;
import org.mapsel.server.apps.ImportViews.ImportRequest;
import org.mapsel.server.apps.ImportViews.ImportView;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** Apps as files. */
@RestController
@RequestMapping("/api")
class AppFilesController {

  private final AppFiles files;

  AppFilesController(AppFiles files) {
    this.files = files;
  }

  /** An app to keep elsewhere, to check on the command line or to take into another workspace. */
  @GetMapping("/apps/{app}/file")
  ResponseEntity<String> file(
      @PathVariable String app,
      @RequestParam(required = false) Long release,
      @RequestParam(defaultValue = "true") boolean descriptions,
      @RequestParam(defaultValue = "false") boolean samples) {
    return ResponseEntity.ok()
        .contentType(MediaType.APPLICATION_JSON)
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename(app + ".app.json").build().toString())
        .body(files.write(app, Optional.ofNullable(release), descriptions, samples));
  }

  /** What a file would bring; nothing is changed. */
  @PostMapping("/app-files/looks")
  ImportView lookInto(@RequestBody JsonNode file) {
    return files.look(file);
  }

  /** Makes an app of a file. */
  @PostMapping("/app-files")
  @ResponseStatus(HttpStatus.CREATED)
  AppBrief bring(@RequestBody ImportRequest request) {
    StoredApp made = files.take(request.file(), request.services());
    return new AppBrief(
        made.id(), made.app().name(), null, made.changedAt(), AppViews.briefs(made.app()));
  }
}
