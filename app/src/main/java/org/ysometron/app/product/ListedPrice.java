package org.ysometron.app.product;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;
import org.ysometron.core.material.Price;

@Entity
@Table(name = "product_price")
class ListedPrice {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long productId;
    double amount;
    String currency;
    double pack;
    double taxRate;
    boolean taxIncluded;
    double discount;
    LocalDate pricedOn;
    String note;
    String enteredBy;

    Price resolve() {
        return new Price(amount, currency, pack, taxRate, taxIncluded, discount, pricedOn);
    }
}
