package org.mapsel.cli;

import java.io.BufferedOutputStream;
import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.PrintStream;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.OptionSpec;

/** The commands that need nothing but the core. */
@Command(
    name = "mapsel",
    subcommands = {
      DescribeCommand.class,
      RequestCommand.class,
      AnswerCommand.class,
      CheckCommand.class,
      PairCommand.class,
      DiffCommand.class,
      ExportCommand.class,
      ImportCommand.class,
      StandInCommand.class,
      VerifyCommand.class
    })
public final class Main {

  private static final int BUFFER = 1 << 16;

  private Main() {}

  public static void main(String[] args) {
    // System.out itself hands on every line by itself, of which there may be a hundred thousand.
    PrintStream out =
        new PrintStream(
            new BufferedOutputStream(new FileOutputStream(FileDescriptor.out), BUFFER),
            false,
            StandardCharsets.UTF_8);
    PrintStream err = new PrintStream(System.err, true, StandardCharsets.UTF_8);
    int status = run(out, err, args);
    out.flush();
    System.exit(status);
  }

  /**
   * Runs one command.
   *
   * @return the exit status: 0 for done, 1 for done with errors, 2 for not done
   */
  static int run(PrintStream out, PrintStream err, String... args) {
    Console console = new Console(out, err);
    CommandLine line =
        new CommandLine(
            new Main(),
            new CommandLine.IFactory() {
              @Override
              public <K> K create(Class<K> type) throws Exception {
                return type.getPackage() == Main.class.getPackage() && type != Main.class
                    ? type.getDeclaredConstructor(Console.class).newInstance(console)
                    : CommandLine.defaultFactory().create(type);
              }
            });
    line.setExpandAtFiles(false);
    line.setCaseInsensitiveEnumValuesAllowed(true);
    line.setErr(new PrintWriter(err, true, StandardCharsets.UTF_8));
    line.setOut(new PrintWriter(out, true, StandardCharsets.UTF_8));
    line.getSubcommands().values().forEach(Main::offerHelp);
    line.setExecutionExceptionHandler(
        (e, command, parsed) -> {
          if (e instanceof CommandFailure failure) {
            err.println("mapsel: " + failure.getMessage());
            return Console.NOT_DONE;
          }
          throw e;
        });
    return line.execute(args);
  }

  private static void offerHelp(CommandLine command) {
    command
        .getCommandSpec()
        .addOption(
            OptionSpec.builder("-h", "--help")
                .usageHelp(true)
                .description("Print this and do nothing.")
                .build());
  }
}
