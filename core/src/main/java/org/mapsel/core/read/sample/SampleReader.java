package org.mapsel.core.read.sample;

import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mapsel.core.declare.DataType;
import org.mapsel.core.declare.HttpDeclaration;
import org.mapsel.core.declare.HttpDeclaration.AnswerDeclaration;
import org.mapsel.core.declare.HttpDeclaration.BodyDeclaration;
import org.mapsel.core.declare.HttpDeclaration.ContentDeclaration;
import org.mapsel.core.declare.HttpDeclaration.ParameterDeclaration;
import org.mapsel.core.declare.HttpDeclaration.ServerDeclaration;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.read.DescriptionReader;
import org.mapsel.core.read.Format;
import org.mapsel.core.read.Reading;
import org.mapsel.core.ref.Place;
import org.mapsel.core.shape.Wire;

/** Requests that somebody has seen work, with their answers. */
public final class SampleReader implements DescriptionReader {

  /** Headers that the request gets by itself, or that say nothing about the operation. */
  private static final Set<String> OWN =
      Set.of(
          "host",
          "content-length",
          "content-type",
          "accept",
          "accept-encoding",
          "accept-language",
          "connection",
          "user-agent",
          "origin",
          "referer",
          "pragma",
          "cache-control",
          "dnt",
          "upgrade-insecure-requests",
          "priority",
          "te");

  @Override
  public boolean recognises(String head) {
    return CurlCommand.is(head)
        || HttpText.isRequest(head)
        || head.stripLeading().startsWith("{")
            && head.contains("\"log\"")
            && head.contains("\"entries\"")
        || head.stripLeading().startsWith("{")
            && head.contains("\"log\"")
            && head.contains("\"creator\"");
  }

  @Override
  public Format read(SourceText source, Reading reading) {
    String text = kept(source, reading);
    reading.declarations().overHttp();
    List<Sample> samples =
        Samples.in(
            new SourceText(source.address(), text.getBytes(StandardCharsets.UTF_8)),
            reading.findings());
    declare(samples, reading, source);
    return new Format("Sample", "1");
  }

  /** The text without its secrets, which is what is kept of it. */
  private static String kept(SourceText source, Reading reading) {
    String given = new String(source.bytes(), StandardCharsets.UTF_8);
    String whole = HarFile.is(given) ? HarFile.reduced(source).orElse(given) : given;
    Secrets.Cleaned cleaned = Secrets.clean(whole);
    if (!cleaned.text().equals(given)) {
      reading.replace(
          source,
          new SourceText(source.address(), cleaned.text().getBytes(StandardCharsets.UTF_8)));
    }
    for (String name : cleaned.names()) {
      reading
          .findings()
          .add(
              Finding.note("SAMPLE_SECRET_LEFT_OUT", "header", name)
                  .at(Place.in(source.address())));
    }
    return cleaned.text();
  }

  /** Samples of the same method and path are one operation, whatever values stand in the path. */
  private static void declare(List<Sample> samples, Reading reading, SourceText source) {
    Map<String, List<Sample>> byOperation = new LinkedHashMap<>();
    for (Sample sample : samples) {
      Optional<URI> address = address(sample, reading, source);
      address.ifPresent(
          uri ->
              byOperation
                  .computeIfAbsent(
                      sample.method + " " + uri.getRawAuthority() + PathValues.in(uri).template(),
                      key -> new ArrayList<>())
                  .add(sample));
    }
    byOperation.values().forEach(same -> reading.declarations().add(operation(same, source)));
    byOperation.values().stream()
        .findFirst()
        .ifPresent(first -> reading.declarations().name(name(URI.create(first.get(0).address))));
  }

  /** The first step of the path that is no formality tells services of one host apart. */
  private static String name(URI uri) {
    return Stream.of(String.valueOf(uri.getPath()).split("/"))
        .filter(step -> !step.matches("|api|rest|services|v\\d+"))
        .findFirst()
        .orElse(uri.getHost());
  }

  private static Optional<URI> address(Sample sample, Reading reading, SourceText source) {
    try {
      URI uri = URI.create(sample.address.replace(" ", "%20"));
      if (uri.getHost() != null) {
        sample.address = uri.toString();
        return Optional.of(uri);
      }
    } catch (IllegalArgumentException e) {
      // Told below, with the address itself.
    }
    reading
        .findings()
        .add(
            Finding.error("SAMPLE_ADDRESS_MISSING", "address", sample.address)
                .at(new Place(source.address(), 1, 1)));
    return Optional.empty();
  }

  private static HttpDeclaration operation(List<Sample> samples, SourceText source) {
    Sample first = samples.get(0);
    URI uri = URI.create(first.address);
    Place place = new Place(source.address(), 1, 1);
    HttpDeclaration.Details details =
        new HttpDeclaration.Details(
            "", parameters(samples, place), body(samples), answers(samples));
    return new HttpDeclaration(
        "",
        first.method,
        PathValues.in(uri).template(),
        List.of(new ServerDeclaration(uri.getScheme() + "://" + uri.getRawAuthority(), "")),
        () -> details);
  }

  private static List<ParameterDeclaration> parameters(List<Sample> samples, Place place) {
    List<ParameterDeclaration> parameters = new ArrayList<>();
    Inferred path = new Inferred();
    Inferred query = new Inferred();
    Inferred headers = new Inferred();
    for (Sample sample : samples) {
      path.sawRecord();
      PathValues.in(URI.create(sample.address))
          .values()
          .forEach(
              (name, value) -> {
                path.member(name).sawText(value, false);
                path.sawMember(name, 1);
              });
      String text = URI.create(sample.address).getRawQuery();
      Inference.form(text == null ? "" : text, query);
      headers.sawRecord();
      for (Sample.Field field : sample.headers) {
        String name = field.name().toLowerCase(Locale.ROOT);
        boolean own =
            OWN.contains(name)
                || Secrets.isHeader(name)
                || name.startsWith("sec-")
                || name.startsWith(":");
        if (!own) {
          headers.member(field.name()).sawText(field.value(), true);
          headers.sawMember(field.name(), 1);
        }
      }
    }
    Set<String> kept = kept(samples);
    add(parameters, path.type(true), Wire.In.PATH, kept, place);
    add(parameters, query.type(true), Wire.In.QUERY, kept, place);
    add(parameters, headers.type(true), Wire.In.HEADER, kept, place);
    return parameters;
  }

  /** What is sent as it was given. */
  private static Set<String> kept(List<Sample> samples) {
    return samples.stream().flatMap(sample -> sample.asGiven.stream()).collect(Collectors.toSet());
  }

  private static void add(
      List<ParameterDeclaration> parameters,
      DataType seen,
      Wire.In in,
      Set<String> kept,
      Place place) {
    if (seen.form() instanceof DataType.Structure structure) {
      for (DataType.Member member : structure.members()) {
        parameters.add(
            new ParameterDeclaration(
                member.name(),
                in,
                in == Wire.In.QUERY ? Wire.Style.FORM : Wire.Style.SIMPLE,
                in == Wire.In.QUERY,
                false,
                Optional.empty(),
                structure.required().contains(member.name()),
                "",
                false,
                AsGiven.in(member.type(), AsGiven.parameter(in, member.name()), kept),
                place));
      }
    }
  }

  private static Optional<BodyDeclaration> body(List<Sample> samples) {
    List<Sample> sending = samples.stream().filter(one -> !one.body.isEmpty()).toList();
    if (sending.isEmpty()) {
      return Optional.empty();
    }
    String said = sending.get(0).header("content-type");
    Inferred inferred = new Inferred();
    String type = "text/plain";
    for (Sample sample : sending) {
      type = widen(inferred, sample.body, said);
    }
    String mediaType = said.isEmpty() ? type : said;
    String written = isTelling(type) ? type : mediaType;
    DataType sent = AsGiven.in(inferred.type(true), AsGiven.BODY, kept(samples));
    return Optional.of(
        new BodyDeclaration(
            true,
            "",
            List.of(new ContentDeclaration(mediaType, written, Optional.of(sent), Map.of()))));
  }

  /** Takes a body into account, and gives the media type that it turns out to be. */
  private static String widen(Inferred inferred, String body, String said) {
    if (Inference.isJson(body)) {
      Inference.json(body, inferred);
      return "application/json";
    }
    if (Inference.isXml(body)) {
      try {
        Inference.xml(body, inferred);
        return "application/xml";
      } catch (DocumentException e) {
        // What is no XML in spite of its start is a text.
        inferred.sawText(body, true);
        return "text/plain";
      }
    }
    if (said.startsWith("application/x-www-form-urlencoded")) {
      Inference.form(body, inferred);
      return said;
    }
    if (Inference.isCsv(body, said)) {
      Inference.csv(body, inferred);
      return "text/csv";
    }
    inferred.sawText(body, true);
    return "text/plain";
  }

  /** Whether a type that a body turned out to be says more than what was said of it. */
  private static boolean isTelling(String type) {
    return Set.of("application/json", "application/xml", "text/csv").contains(type);
  }

  private static List<AnswerDeclaration> answers(List<Sample> samples) {
    Map<Integer, List<Sample.Answer>> byStatus = new LinkedHashMap<>();
    for (Sample sample : samples) {
      for (Sample.Answer answer : sample.answers) {
        if (!answer.body().isBlank()) {
          byStatus.computeIfAbsent(answer.status(), key -> new ArrayList<>()).add(answer);
        }
      }
    }
    List<AnswerDeclaration> answers = new ArrayList<>();
    byStatus.forEach(
        (status, same) -> {
          Inferred inferred = new Inferred();
          String type = "";
          for (Sample.Answer answer : same) {
            type = widen(inferred, answer.body(), answer.mediaType());
          }
          String said = same.get(0).mediaType();
          answers.add(
              new AnswerDeclaration(
                  String.valueOf(status),
                  "",
                  List.of(
                      new ContentDeclaration(
                          said.isEmpty() || isTelling(type) ? type : said,
                          Optional.of(inferred.type(false)),
                          Map.of()))));
        });
    if (answers.isEmpty()) {
      // Nothing is known of what comes back, so all of it is kept.
      answers.add(
          new AnswerDeclaration(
              "200", "", List.of(new ContentDeclaration("*/*", Optional.empty(), Map.of()))));
    }
    return answers;
  }
}
