package org.mapsel.core.message;

import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Set;
import org.mapsel.core.finding.Finding;

/** What can be told of an answer before it is parsed. */
public final class AnswerStart {

  private static final int SHOWN_CHARACTERS = 160;
  private static final Set<String> XML_TYPES =
      Set.of(
          "text/xml",
          "application/xml",
          "application/soap+xml",
          "application/xop+xml",
          "multipart/related");

  private AnswerStart() {}

  /** The first characters, for people to see what came. */
  public static String of(byte[] body) {
    // UTF-16 shows every other byte as zero; without them it reads well enough to tell.
    String text =
        new String(body, 0, Math.min(body.length, 4 * SHOWN_CHARACTERS), StandardCharsets.UTF_8)
            .replaceAll("[\\u0000\\uFEFF\\uFFFD]", "")
            .strip()
            .replaceAll("\\s+", " ");
    return text.length() > SHOWN_CHARACTERS ? text.substring(0, SHOWN_CHARACTERS) + "…" : text;
  }

  /** Whether the body starts like XML, and not like a web page. */
  public static boolean looksLikeXml(byte[] body) {
    String start = of(body).toLowerCase(Locale.ROOT);
    return start.startsWith("<")
        && !start.startsWith("<!doctype html")
        && !start.startsWith("<html");
  }

  /** Whether the media type is one of XML, or none is given. */
  public static boolean hasXmlType(Response response) {
    String type = mediaType(response);
    return type.isEmpty() || type.endsWith("+xml") || XML_TYPES.contains(type);
  }

  /** The media type in small letters without its parameters; empty if there is none. */
  public static String mediaType(Response response) {
    return response
        .header("Content-Type")
        .orElse("")
        .split(";")[0]
        .strip()
        .toLowerCase(Locale.ROOT);
  }

  /** Whether the service, or a proxy before it, does not know who calls (RFC 9110, 15.5.2). */
  public static boolean wantsLogin(Response response) {
    return response.status() == 401 || response.status() == 407;
  }

  /** The service does not know who calls. */
  public static Finding loginWanted(Response response) {
    return Finding.error("MESSAGE_LOGIN_WANTED", "status", String.valueOf(response.status()));
  }

  /** Something that is not XML came. */
  public static Finding notXml(Response response) {
    return Finding.error(
        "MESSAGE_ANSWER_NOT_XML",
        "status",
        String.valueOf(response.status()),
        "start",
        of(response.body()));
  }

  /** Something that is not JSON came. */
  public static Finding notJson(Response response) {
    return Finding.error(
        "MESSAGE_ANSWER_NOT_JSON",
        "status",
        String.valueOf(response.status()),
        "start",
        of(response.body()));
  }

  /** Nothing came. */
  public static Finding empty(Response response) {
    return Finding.error("MESSAGE_ANSWER_EMPTY", "status", String.valueOf(response.status()));
  }

  /** The body cannot be read to its end. */
  public static Finding broken(Finding cause, byte[] body) {
    Finding finding =
        Finding.error(
            "MESSAGE_ANSWER_BROKEN",
            "reason",
            cause.arguments().getOrDefault("reason", cause.code()),
            "start",
            of(body));
    return cause.places().isEmpty() ? finding : finding.at(cause.places().get(0));
  }
}
