package paringknife.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

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
  void packagesDoNotGoRoundInCircles() {
    slices().matching("paringknife.core.(**)").should().beFreeOfCycles().check(CORE);
  }

  /** What is written for machines is the same in Cairo and in Istanbul. */
  @Test
  void nothingIsFormattedAsTheServersCountryWould() {
    noClasses()
        .should()
        .callMethod(String.class, "format", String.class, Object[].class)
        .check(CORE);
    noClasses().should().callMethod(String.class, "toLowerCase").check(CORE);
    noClasses().should().callMethod(String.class, "toUpperCase").check(CORE);
    noClasses().should().callMethod(String.class, "formatted", Object[].class).check(CORE);
  }

  @Test
  void namesSayWhatThingsAre() {
    noClasses().should().haveNameMatching(".*(Util|Utils|Manager|Helper)").check(CORE);
  }
}
