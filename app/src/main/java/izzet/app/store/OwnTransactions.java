package izzet.app.store;

import org.springframework.beans.factory.config.BeanDefinition;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Primary;
import org.springframework.context.annotation.Role;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.AnnotationTransactionAttributeSource;
import org.springframework.transaction.interceptor.TransactionAttributeSource;

/** Transactions are looked for at services only: to ask every method of every bean for its annotations takes long at a start. */
@Configuration(proxyBeanMethods = false)
class OwnTransactions {

    @Bean
    @Primary
    @Role(BeanDefinition.ROLE_INFRASTRUCTURE)
    static TransactionAttributeSource transactionsOfServices() {
        return new AnnotationTransactionAttributeSource(false) {
            @Override
            public boolean isCandidateClass(Class<?> type) {
                return type.isAnnotationPresent(Service.class) && super.isCandidateClass(type);
            }
        };
    }
}
