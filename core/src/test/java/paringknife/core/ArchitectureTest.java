package paringknife.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;

class ArchitectureTest {
  private static final JavaClasses CORE =
      new ClassFileImporter()
          .withImportOption(new ImportOption.DoNotIncludeTests())
          .importPackages("paringknife.core");

  @Test
  void theCoreDependsOnNothingOutsideIt() {
    classes()
        .should()
        .onlyDependOnClassesThat()
        .resideInAnyPackage("paringknife.core..", "java..", "javax.xml.stream..", "org.jspecify..")
        .check(CORE);
  }

  @Test
  void theCoreTouchesNoFilesProcessesOrNetwork() {
    noClasses()
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("java.net..", "java.nio.file..", "java.sql..")
        .check(CORE);
    noClasses()
        .should()
        .dependOnClassesThat()
        .haveFullyQualifiedName("java.lang.ProcessBuilder")
        .check(CORE);
  }

  @Test
  void namesSayWhatThingsAre() {
    noClasses().should().haveNameMatching(".*(Util|Utils|Manager|Helper)").check(CORE);
  }
}
