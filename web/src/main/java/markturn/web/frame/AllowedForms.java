package markturn.web.frame;

import java.util.Set;
import org.springframework.http.HttpMethod;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.thymeleaf.context.ITemplateContext;
import org.thymeleaf.context.IWebContext;
import org.thymeleaf.dialect.AbstractProcessorDialect;
import org.thymeleaf.model.IProcessableElementTag;
import org.thymeleaf.processor.IProcessor;
import org.thymeleaf.processor.element.AbstractElementTagProcessor;
import org.thymeleaf.processor.element.IElementTagStructureHandler;
import org.thymeleaf.standard.StandardDialect;
import org.thymeleaf.standard.expression.StandardExpressions;
import org.thymeleaf.templatemode.TemplateMode;

/**
 * Leaves out of every page the forms whose posting {@link Rights} would refuse to whoever looks at it, so that no template has to ask. A
 * form without an address is posted by its page's script, beneath the address of the page.
 */
@Component
final class AllowedForms extends AbstractProcessorDialect {
    /** After what repeats, asks and names ({@code th:each}, {@code th:if}, {@code th:with}), before {@code th:action}. */
    private static final int BEFORE_ACTION = 950;

    AllowedForms() {
        super("Allowed forms", "th", StandardDialect.PROCESSOR_PRECEDENCE);
    }

    @Override
    public Set<IProcessor> getProcessors(String prefix) {
        return Set.of(new OfForms(prefix));
    }

    private static final class OfForms extends AbstractElementTagProcessor {
        private final String prefix;

        OfForms(String prefix) {
            super(TemplateMode.HTML, prefix, "form", false, null, false, BEFORE_ACTION);
            this.prefix = prefix;
        }

        @Override
        protected void doProcess(
                ITemplateContext context, IProcessableElementTag form, IElementTagStructureHandler structure) {
            if ("get".equals(form.getAttributeValue("method"))) {
                return;
            }
            Authentication who = SecurityContextHolder.getContext().getAuthentication();
            if (!Rights.allow(HttpMethod.POST, address(context, form), who)) {
                structure.removeElement();
            }
        }

        private String address(ITemplateContext context, IProcessableElementTag form) {
            String action = form.getAttributeValue(prefix, "action");
            if (action != null) {
                return String.valueOf(StandardExpressions.getExpressionParser(context.getConfiguration())
                        .parseExpression(context, action)
                        .execute(context));
            }
            String page = ((IWebContext) context).getExchange().getRequest().getRequestPath();
            return page + (form.hasAttribute("data-path") ? form.getAttributeValue("data-path") : "/book");
        }
    }
}
