package paringknife.server.database;

import java.nio.file.Files;
import java.nio.file.Path;
import org.flywaydb.core.Flyway;
import org.jooq.codegen.GenerationTool;
import org.jooq.meta.jaxb.Configuration;
import org.jooq.meta.jaxb.Database;
import org.jooq.meta.jaxb.ForcedType;
import org.jooq.meta.jaxb.Generate;
import org.jooq.meta.jaxb.Generator;
import org.jooq.meta.jaxb.Jdbc;
import org.jooq.meta.jaxb.Target;

/** Generates the jOOQ classes from a real MariaDB brought up to the newest migration. */
public final class GenerateTables {
  private GenerateTables() {}

  /** The only argument is the source folder to write into. */
  public static void main(String[] arguments) throws Exception {
    Path home = Files.createTempDirectory("pk-generate");
    try (MariaDbProcess database = MariaDbProcess.start(home, 0)) {
      Flyway.configure()
          .dataSource(database.url(), database.userName(), database.password())
          .load()
          .migrate();
      GenerationTool.generate(
          new Configuration()
              .withJdbc(
                  new Jdbc()
                      .withUrl(database.url())
                      .withUser(database.userName())
                      .withPassword(database.password()))
              .withGenerator(
                  new Generator()
                      .withDatabase(
                          new Database()
                              .withName("org.jooq.meta.mariadb.MariaDBDatabase")
                              .withInputSchema("paring_knife")
                              .withOutputSchemaToDefault(true)
                              .withExcludes("flyway_.*|scheduled_tasks")
                              .withForcedTypes(
                                  new ForcedType()
                                      .withName("BOOLEAN")
                                      .withIncludeTypes("(?i:TINYINT\\(1\\))")))
                      .withGenerate(
                          new Generate()
                              .withRecords(false)
                              .withGeneratedAnnotation(false)
                              .withJavadoc(false)
                              .withComments(false))
                      .withTarget(
                          new Target()
                              .withPackageName("paringknife.server.database.generated")
                              .withDirectory(arguments[0]))));
    }
  }
}
