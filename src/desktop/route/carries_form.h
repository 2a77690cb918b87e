// What the route of the picked direction has of its own: how its buttons move on the way, and what
// is heard.
#pragma once
#include "desktop/view/form.h"
#include "runtime/document/route_rule.h"

namespace bristle {

class SoundRows;
class Work;

class CarriesForm : public Form {
  Q_OBJECT
 public:
  explicit CarriesForm(Work& work);
  void refresh();

 private:
  const RouteCarries* carries() const;
  void change(const std::function<void(RouteCarries&)>& apply);
  Work& work_;
  QLabel* head_;
  QCheckBox* own_;
  QLineEdit *duration_, *easing_;
  SoundRows* sound_;
};

}  // namespace bristle
