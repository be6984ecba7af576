package lochan.web.modelling;

import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Which budgets the application computes with: the property {@code lochan.budgets} says {@code usual}, or {@code small} in tests. */
@Configuration(proxyBeanMethods = false)
class BudgetsSetting {

    @Bean
    Budgets budgets(@Value("${lochan.budgets:usual}") String which) {
        return switch (which) {
            case "usual" -> Budgets.USUAL;
            case "small" -> Budgets.SMALL;
            default -> throw new IllegalArgumentException("lochan.budgets is " + which + ": expected usual or small.");
        };
    }
}
