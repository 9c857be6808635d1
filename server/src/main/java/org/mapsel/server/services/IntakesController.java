package org.mapsel.server.services;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.message.Access;
import org.mapsel.server.secrets.AccessForm;
import org.mapsel.server.secrets.Accesses;
import org.mapsel.server.services.ServiceViews.IntakeEvent;
import org.mapsel.server.web.LineStream;
import org.mapsel.server.web.Problem;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import tools.jackson.databind.json.JsonMapper;

/** Intake: reading a description without taking anything. The answer comes line by line. */
@RestController
@RequestMapping("/api/intakes")
class IntakesController {

  /**
   * What stands in the intake box: an address, or the text of a description.
   *
   * @param access for the server at the address
   * @param plain the names of values in samples that look secret, but are none
   */
  record IntakeRequest(String source, @Nullable AccessForm access, @Nullable List<String> plain) {
    IntakeRequest {
      Objects.requireNonNull(source);
      plain = plain == null ? List.of() : plain;
    }
  }

  /** A longer word is no address, and nobody would want to read it again in a message. */
  private static final int LONGEST_ADDRESS = 8_000;

  private final Intakes intakes;
  private final Accesses accesses;
  private final JsonMapper json;

  IntakesController(Intakes intakes, Accesses accesses, JsonMapper json) {
    this.intakes = intakes;
    this.accesses = accesses;
    this.json = json;
  }

  @PostMapping
  @ApiResponse(
      content =
          @Content(
              mediaType = LineStream.MEDIA_TYPE,
              schema = @Schema(implementation = IntakeEvent.class)))
  void read(@RequestBody IntakeRequest request, HttpServletResponse response) throws IOException {
    String source = request.source().strip();
    if (source.isEmpty()) {
      throw Problem.refused(Finding.error("SERVER_INTAKE_EMPTY"));
    }
    AccessForm form = request.access();
    List<String> plain = Objects.requireNonNull(request.plain());
    Access access = form == null ? Access.NONE : accesses.given(form);
    List<SourceText> pasted =
        List.of(new SourceText("pasted", source.getBytes(StandardCharsets.UTF_8)));
    stream(response)
        .run(
            progress ->
                isAddress(source)
                    ? intakes.readAddress(source, access, progress)
                    : intakes.readGiven(pasted, Optional.empty(), plain, progress));
  }

  /** One word that does not begin like a document. */
  private static boolean isAddress(String source) {
    return source.length() <= LONGEST_ADDRESS
        && !source.startsWith("<")
        && !source.startsWith("{")
        && source.chars().noneMatch(Character::isWhitespace);
  }

  /**
   * @param entry which of the files to read, by the address it had in the list of them
   * @param plain the names of values in samples that look secret, but are none
   */
  @PostMapping(path = "/files", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @ApiResponse(
      content =
          @Content(
              mediaType = LineStream.MEDIA_TYPE,
              schema = @Schema(implementation = IntakeEvent.class)))
  void readFiles(
      @RequestParam List<MultipartFile> files,
      @RequestParam Optional<String> entry,
      @RequestParam(defaultValue = "") List<String> plain,
      HttpServletResponse response)
      throws IOException {
    List<SourceText> given = new ArrayList<>();
    for (MultipartFile file : files) {
      String name = file.getOriginalFilename();
      given.add(new SourceText(name == null ? "file" : name, file.getBytes()));
    }
    stream(response).run(progress -> intakes.readGiven(given, entry, plain, progress));
  }

  private IntakeStream stream(HttpServletResponse response) {
    return new IntakeStream(new LineStream(json, response));
  }
}
