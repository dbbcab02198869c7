package markturn.web.frame;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** What is carried out of the house is noted: who took which file of which job. */
@Component
class ExportLog implements HandlerInterceptor, WebMvcConfigurer {
    private final SecurityLog log;

    ExportLog(SecurityLog log) {
        this.log = log;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this)
                .addPathPatterns("/job/*/deliver/*")
                .excludePathPatterns("/job/*/deliver/report.css");
    }

    @Override
    public void afterCompletion(
            HttpServletRequest request, HttpServletResponse response, Object handler, Exception failed) {
        if (failed == null && response.getStatus() == HttpServletResponse.SC_OK) {
            log.note("export", request.getRemoteUser(), request.getRemoteAddr(), request.getRequestURI());
        }
    }
}
