package org.mapsel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** A workspace with a password, over TLS. */
class EntryJourneyTest {

  private static final String PASSWORD = "low water at six";

  @Test
  void buildersSignInAndOutAndVisitorsNeedNot() throws IOException {
    Path folder = Programs.temporary("mapsel-entry");
    Path certificate = folder.resolve("server.crt");
    Path key = folder.resolve("server.key");
    Programs.run(
        List.of(
            "openssl",
            "req",
            "-x509",
            "-newkey",
            "rsa:2048",
            "-nodes",
            "-days",
            "2",
            "-subj",
            "/CN=localhost",
            "-addext",
            "subjectAltName=DNS:localhost",
            "-keyout",
            key.toString(),
            "-out",
            certificate.toString()));
    Path password = Files.writeString(folder.resolve("password"), PASSWORD + "\n");
    try (Product product =
            Product.emptyWith(
                "--password-file", password.toString(),
                "--certificate", certificate.toString(),
                "--key", key.toString());
        Browser browser = new Browser()) {
      Assertions.assertThat(product.address()).startsWith("https://");
      User user = new User(browser, product).goTo("/samples");
      assertThat(user.role(AriaRole.HEADING, "Sign in")).isVisible();
      user.type("Password of the workspace", "high water").press("Come in");
      user.sees("This is not the password of the workspace.");
      user.type("Password of the workspace", PASSWORD).keys("Enter");
      assertThat(user.role(AriaRole.BUTTON, "Sign out")).isVisible();
      Assertions.assertThat(user.page.url()).endsWith("/samples");
      user.press("Sign out");
      assertThat(user.role(AriaRole.HEADING, "Sign in")).isVisible();
      user.goTo("/open").sees("What there is");
      Assertions.assertThat(product.said()).doesNotContain(PASSWORD);
    }
  }
}
