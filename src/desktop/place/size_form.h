// How large the picked items are: a size of their own, or what it follows from.
#pragma once
#include "desktop/view/form.h"
#include "runtime/document/screen.h"

namespace bristle {

class Work;

class SizeForm : public QWidget {
  Q_OBJECT
 public:
  // `work` must outlive it.
  explicit SizeForm(Work& work);
  // Of the first picked item.
  void refresh();

 private:
  struct Axis {
    QLineEdit *size, *bounds, *rest, *cells;
  };
  Axis build(bool horizontal);
  void refresh(const Axis& fields, bool horizontal);
  // One change on all picked items.
  bool change(const char* name, std::function<void(Item&)> apply);
  bool setSize(bool horizontal, const QString& typed);
  bool setShare(bool horizontal, const QString& typed);
  bool setBounds(bool horizontal, const QString& typed);
  Work& work_;
  Form* form_;
  Axis across_, down_;
};

}  // namespace bristle
