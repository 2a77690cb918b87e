// How the picked containers keep what is in them in order.
#pragma once
#include "desktop/view/form.h"
#include "runtime/document/screen.h"

namespace bristle {

class Work;

class ContainerForm : public QWidget {
  Q_OBJECT
 public:
  // `work` must outlive it.
  explicit ContainerForm(Work& work);
  // Shows this one; fields that do not apply to it go away.
  void show(const ContainerData& container);

 private:
  void buildOrder();
  void buildGrid();
  void buildRing();
  void buildScrolling();
  // One change on all picked containers.
  void arrangeAs(Flow flow);
  bool change(const char* name, std::function<void(ContainerData&)> apply);
  QLineEdit* number(const QString& name, const char* edit, double least, double most,
                    double ContainerData::*which, const QString& unit);
  Work& work_;
  Form* form_;
  QComboBox *flow_, *across_, *along_, *cells_, *scrolls_, *follow_, *tabs_;
  QLineEdit *gap_, *padding_, *lineGap_, *columns_, *cellWidth_, *cellHeight_, *start_, *sweep_,
      *radius_;
  QCheckBox *equal_, *wraps_, *clips_, *panels_;
};

}  // namespace bristle
