package org.mapsel.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.testing.Outline;

/**
 * Every description in {@code src/test/resources/descriptions} against the outline beside it. A new
 * case is a new pair of files.
 */
class DescriptionFilesTest {

  private static final Path FOLDER = Path.of("src/test/resources/descriptions");

  @TestFactory
  Stream<DynamicTest> everyDescriptionReadsAsOutlined() throws IOException {
    try (Stream<Path> files = Files.list(FOLDER)) {
      return files.filter(DescriptionFilesTest::isDescription).sorted().toList().stream()
          .map(file -> DynamicTest.dynamicTest(file.getFileName().toString(), () -> check(file)));
    }
  }

  /** A description that is only part of another one has no outline of its own. */
  private static boolean isDescription(Path file) {
    String name = file.getFileName().toString();
    return name.matches(".*\\.(wsdl|yaml|json|xml|har)|.*-sample\\.txt")
        && !name.matches(".*-parts\\..*");
  }

  private static void check(Path file) throws IOException {
    Path expected = Path.of(file.toString().replaceAll("\\.[a-z]+$", ".expected.txt"));
    String outline = Outline.of(Descriptions.read("/descriptions/" + file.getFileName()));
    // What came out stays to be looked at, and copied once it is found right.
    Path came = Files.createDirectories(Path.of("target/outlines")).resolve(expected.getFileName());
    Files.writeString(came, outline);
    assertThat(expected).as("the outline that is expected").exists();
    assertThat(outline).isEqualTo(Files.readString(expected));
  }
}
