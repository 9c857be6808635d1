package org.mapsel.core.message;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What a service repeats of what it was sent. */
class EchoedSecretsTest {

  private static final String PASSWORD = "low & \"tide\"";

  private static Access with(Access.Login login) {
    return Access.NONE.as(login);
  }

  private static final Access BASIC = with(new Access.Login.Basic("pilot", Secret.of(PASSWORD)));

  private static String base64(String text) {
    return Base64.getEncoder().encodeToString(text.getBytes(StandardCharsets.UTF_8));
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "you are %s, ahoy",
        "<login>low &amp; \"tide\"</login>",
        "{\"password\":\"low & \\\"tide\\\"\"}",
        "/berths?password=low+%26+%22tide%22&day=1",
        "/berths/low%20%26%20%22tide%22"
      })
  void aPasswordIsHiddenHoweverItIsWritten(String text) {
    assertThat(EchoedSecrets.of(BASIC).hiddenIn(text.replace("%s", PASSWORD)))
        .contains("******")
        .doesNotContain("tide");
  }

  @Test
  void soIsTheHeaderThatItWasSentIn() {
    String sent = AccessHeaders.of(BASIC).get(0).value();

    assertThat(EchoedSecrets.of(BASIC).hiddenIn("{\"Authorization\":\"" + sent + "\"}"))
        .doesNotContain(base64("pilot:" + PASSWORD).replace("=", ""));
  }

  @ParameterizedTest
  @ValueSource(strings = {"UTF-8", "ISO-8859-1", "windows-1252"})
  void everythingElseStaysByteForByte(String charset) {
    Charset of = Charset.forName(charset);
    Access token = with(new Access.Login.Bearer(Secret.of("tide-4711-x")));

    byte[] hidden = EchoedSecrets.of(token).hiddenIn("Fähre tide-4711-x für Öre".getBytes(of));

    assertThat(new String(hidden, of)).isEqualTo("Fähre ****** für Öre");
  }

  @Test
  void headersAreHiddenAndCookiesToo() {
    Access key = with(new Access.Login.ApiKey("key", Secret.of("tide-4711-x"), true));
    Response response =
        new Response(
            200,
            Map.of(
                "Link", List.of("<?after=2&key=tide-4711-x>; rel=next"),
                "Set-Cookie", List.of("session=8f2c; Path=/")),
            new byte[0]);

    assertThat(EchoedSecrets.of(key).hiddenIn(response).headers())
        .containsEntry("Link", List.of("<?after=2&key=******>; rel=next"))
        .containsEntry("Set-Cookie", List.of("session=******; Path=/"));
  }

  @Test
  void whatSaysNothingOfWhoCallsIsNoSecret() {
    Access access =
        new Access(
            new Access.Login.Bearer(Secret.of("1234")),
            List.of(new Access.NamedSecret("Accept", Secret.of("application/json"))),
            Access.NONE.security(),
            Access.NONE.addressing(),
            Access.NONE.connection());

    assertThat(EchoedSecrets.of(access).hiddenIn("application/json 1234"))
        .isEqualTo("application/json 1234");
  }
}
