package org.mapsel.core.message.odata;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.mapsel.core.document.MimePart;
import org.mapsel.core.finding.FindingText;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.AccessHeaders;
import org.mapsel.core.message.Batch;
import org.mapsel.core.message.Header;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;

/**
 * Questions to one service in one message of several parts (OData 4.0 protocol, section 11.7; 2.0
 * in the same form).
 *
 * @param root the address of the service, without a slash at its end
 * @param old whether by the protocol before version 4
 */
record EntityBatch(String root, boolean old) implements Batch {

  /** Questions have no bodies, so that it cannot stand in one. */
  private static final String BOUNDARY = "mapsel-batch";

  private static final String END = "\r\n";
  private static final Pattern STATUS = Pattern.compile("HTTP/\\S+ (\\d{3})[^\\n]*\\n");
  private static final Pattern HEAD = Pattern.compile("([^:\\r\\n]+):[ \\t]*([^\\r\\n]*)\\r?\\n");
  private static final Pattern BLANK = Pattern.compile("\\r?\\n");

  @Override
  public String address() {
    return root + "/$batch";
  }

  @Override
  public Request write(List<Request> parts, Access access) {
    StringBuilder text = new StringBuilder();
    for (Request part : parts) {
      text.append("--").append(BOUNDARY).append(END);
      text.append("Content-Type: application/http").append(END);
      text.append("Content-Transfer-Encoding: binary").append(END).append(END);
      // Relative to the service, which every server takes.
      String address = part.address().substring(root.length() + 1);
      text.append(part.method()).append(' ').append(address).append(" HTTP/1.1").append(END);
      for (Header header : part.headers()) {
        text.append(header.name()).append(": ").append(header.value()).append(END);
      }
      text.append(END).append(END);
    }
    text.append("--").append(BOUNDARY).append("--").append(END);
    List<Header> headers = new ArrayList<>();
    headers.add(
        new Header(
            "Content-Type",
            "multipart/mixed; boundary=" + BOUNDARY,
            "several questions go in one message"));
    headers.add(new Header("Accept", "multipart/mixed", "the answers are wanted in the same way"));
    headers.addAll(EntityCodec.versions(old));
    headers.addAll(AccessHeaders.of(access));
    return new Request(
        "POST",
        AccessHeaders.address(address(), access),
        headers,
        text.toString().getBytes(StandardCharsets.UTF_8));
  }

  @Override
  public Reply read(Response response, int parts) {
    String contentType = response.header("Content-Type").orElse("");
    if (response.status() / 100 != 2 || !MimePart.isAnnounced(contentType)) {
      return Reply.refused("status " + response.status());
    }
    Outcome<List<MimePart>> read = MimePart.read(response.body(), contentType);
    if (read.value().isEmpty()) {
      return Reply.refused(FindingText.message(read.findings().get(0)));
    }
    List<Response> answers = new ArrayList<>();
    for (MimePart part : read.get()) {
      Matcher status = STATUS.matcher(new String(part.body(), StandardCharsets.ISO_8859_1));
      if (!status.lookingAt()) {
        return Reply.refused("a part is no answer");
      }
      answers.add(answer(status, part.body()));
    }
    return answers.size() == parts
        ? new Reply(answers, "")
        : Reply.refused(answers.size() + " answers to " + parts + " questions");
  }

  /** An answer inside a part: headers, an empty line, and the body as it is. */
  private static Response answer(Matcher status, byte[] whole) {
    String text = new String(whole, StandardCharsets.ISO_8859_1);
    Map<String, List<String>> headers = new TreeMap<>(String.CASE_INSENSITIVE_ORDER);
    int at = status.end();
    Matcher head = HEAD.matcher(text);
    while (head.region(at, text.length()).lookingAt()) {
      headers.computeIfAbsent(head.group(1), name -> new ArrayList<>()).add(head.group(2));
      at = head.end();
    }
    Matcher blank = BLANK.matcher(text);
    if (blank.region(at, text.length()).lookingAt()) {
      at = blank.end();
    }
    byte[] body = text.substring(at).getBytes(StandardCharsets.ISO_8859_1);
    return new Response(Integer.parseInt(status.group(1)), headers, body);
  }
}
