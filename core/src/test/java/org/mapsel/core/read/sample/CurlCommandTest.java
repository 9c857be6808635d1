package org.mapsel.core.read.sample;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.intake.Description;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.message.Request;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Client;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.testing.Requests;

/** Commands as browsers, manuals and colleagues write them. */
class CurlCommandTest {

  private static Sample sample(String command) {
    SourceText source = new SourceText("pasted", command.getBytes(StandardCharsets.UTF_8));
    return Samples.in(source, new Findings()).get(0);
  }

  private static String line(Sample sample) {
    return sample.method
        + " "
        + sample.address
        + sample.headers.stream()
            .map(header -> " [" + header.name() + ": " + header.value() + "]")
            .collect(Collectors.joining())
        + (sample.body.isEmpty() ? "" : " " + sample.body);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "curl quay.example/a|GET http://quay.example/a",
        "$ curl -sSL 'https://quay.example/a b'|GET https://quay.example/a b",
        "curl.exe https://quay.example/a -XDELETE|DELETE https://quay.example/a",
        "curl -X PUT --url https://quay.example/a|PUT https://quay.example/a",
        "curl -sXPATCH https://quay.example/a -dx=1|PATCH https://quay.example/a"
            + " [Content-Type: application/x-www-form-urlencoded] x=1",
        "curl https://quay.example/a -d x=1 -d y=2|POST https://quay.example/a"
            + " [Content-Type: application/x-www-form-urlencoded] x=1&y=2",
        "curl https://quay.example/a --data-urlencode 'x=a b&c'|POST https://quay.example/a"
            + " [Content-Type: application/x-www-form-urlencoded] x=a+b%26c",
        "curl -G https://quay.example/a?z=0 -d x=1|GET https://quay.example/a?z=0&x=1",
        "curl -I https://quay.example/a|HEAD https://quay.example/a",
        "curl -H'X-Desk: 4' -H \"X-Day: 14\" https://quay.example/a|GET https://quay.example/a"
            + " [X-Desk: 4] [X-Day: 14]",
        "curl --json '{\"a\":1}' https://quay.example/a|POST https://quay.example/a"
            + " [Content-Type: application/json] [Accept: application/json] {\"a\":1}",
        "curl https://quay.example/a -H 'Content-Type: text/plain' --data-raw \"it's \\\"5\\\" \\$\""
            + "|POST https://quay.example/a [Content-Type: text/plain] it's \"5\" $",
        "curl -o out.txt --max-time 5 -A probe https://quay.example/a --compressed"
            + "|GET https://quay.example/a"
      })
  void optionsMeanWhatTheyMeanToCurl(String command, String request) {
    assertThat(line(sample(command))).isEqualTo(request);
  }

  @Test
  void dollarQuotesHaveEscapes() {
    String command =
        "curl https://quay.example/a -H 'Content-Type: text/plain'"
            + " --data-raw $'it\\'s\\n\\tone \\u00e9 \\x41\\101 \\U0001f6a2 \\q'";
    assertThat(sample(command).body).isEqualTo("it's\n\tone é AA 🚢 q");
  }

  @Test
  void theCaretsOfTheWindowsPromptAreNoPartOfTheRequest() {
    String command =
        "curl ^\"https://quay.example/a?x=1^&y=2^\" ^\r\n"
            + "  -H ^\"Content-Type: application/json^\" ^\r\n"
            + "  --data-raw ^\"^{^\\^\"day^\\^\":^\\^\"14^%^\\^\"^}^\"\r\n\r\n{\"bay\":3}";
    Sample sample = sample(command);
    assertThat(line(sample))
        .isEqualTo(
            "POST https://quay.example/a?x=1&y=2 [Content-Type: application/json] {\"day\":\"14%\"}");
    assertThat(sample.answers).extracting(Sample.Answer::body).containsExactly("{\"bay\":3}");
  }

  @Test
  void aCaretElsewhereIsACaret() {
    String command = "curl https://quay.example/a -d '{\"mark\":\"^\",\"text\":\"a ^\nb\"}'";
    assertThat(sample(command).body).isEqualTo("{\"mark\":\"^\",\"text\":\"a ^\nb\"}");
  }

  @Test
  void linesGoOnBehindABackslashAndAnswersComeAfterTheCommand() {
    Sample sample =
        sample("curl https://quay.example/a \\\n  -H 'X-Desk: 4' \\\n -d 'a\nb'\n\n[1]\n");
    assertThat(sample.headers).contains(new Sample.Field("X-Desk", "4"));
    assertThat(sample.body).isEqualTo("a\nb");
    assertThat(sample.answers).extracting(Sample.Answer::body).containsExactly("[1]");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {"curl", "curl -d", "curl 'open", "curl \"open\\", "curl $'\\x", "curl -F x"})
  void whatIsCutShortIsReadAsFarAsItGoes(String command) {
    assertThat(sample(command + " ").method).isNotEmpty();
  }

  @ParameterizedTest
  @ValueSource(strings = {"-u desk:slack-water", "-udesk:slack-water", "-sSu desk:slack-water"})
  void usersAreLeftOutHoweverTheyAreWritten(String user) {
    String command = "curl https://quay.example/a " + user;
    Description read =
        Intake.read(
                new SourceText("pasted", command.getBytes(StandardCharsets.UTF_8)),
                Descriptions.RESOLVER)
            .get();
    assertThat(new String(read.documents().get(0).bytes(), StandardCharsets.UTF_8))
        .doesNotContain("slack-water");
  }

  @Test
  void partsBecomeFieldsAndFilesCanBeSent() {
    String command =
        "curl https://quay.example/photos -F bay=3 -F 'note=low; tide' -F 'photo=@a.png;type=image/png'";
    Service service = service(command);
    Request request =
        Requests.make(
                service,
                service.operations().get(0),
                new EndpointId("main"),
                Client.json("{'body':{'bay':4,'photo':'aGk='}}"))
            .get();
    assertThat(new String(request.body(), StandardCharsets.UTF_8).replace("\r\n", "\n"))
        .contains("name=\"bay\"\n\n4\n")
        .contains("name=\"note\"\n\nlow; tide\n")
        .contains("name=\"photo\"; filename=\"photo\"");
    assertThat(request.headers())
        .anySatisfy(
            header -> assertThat(header.value()).startsWith("multipart/form-data; boundary="));
  }

  private static Service service(String command) {
    return Intake.read(
            new SourceText("pasted", command.getBytes(StandardCharsets.UTF_8)),
            Descriptions.RESOLVER)
        .get()
        .service();
  }

  @Test
  void whatIsWrittenAsAnArchiveIsTheSameRequest() {
    for (String command :
        List.of(
            "curl https://quay.example/a?x=1 -H 'X-Desk: 4' -d 'a=1&b='",
            "curl https://quay.example/photos -F bay=3 -F 'photo=@a.png'")) {
      Sample sample = sample(command);
      SourceText archive =
          new SourceText(
              "archive", HarFile.write(List.of(sample)).getBytes(StandardCharsets.UTF_8));
      Sample again = Samples.in(archive, new Findings()).get(0);
      assertThat(line(again)).isEqualTo(line(sample));
      assertThat(again.parts).isEqualTo(sample.parts);
    }
  }

  @Test
  void formsOfAnArchiveMayHaveTheirFieldsOnly() {
    String archive =
        """
        {"log":{"version":"1.2","creator":{},"entries":[{"request":{"method":"POST",
          "url":"https://quay.example/a","headers":[],"postData":{
          "mimeType":"application/x-www-form-urlencoded",
          "params":[{"name":"day","value":"14 & 15"},{"name":"bay","value":"3"}]}}}]}}""";
    SourceText source = new SourceText("archive", archive.getBytes(StandardCharsets.UTF_8));
    assertThat(Samples.in(source, new Findings()).get(0).body).isEqualTo("day=14+%26+15&bay=3");
  }
}
