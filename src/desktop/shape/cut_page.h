// Cuts buttons from flat art: pictures of the whole menu, one for each state; rectangles dragged on
// them; names; then each is a button with its pictures, where it was.
#pragma once
#include <QComboBox>
#include <QListWidget>

#include "deliver/cut.h"
#include "desktop/view/page.h"

class QCheckBox;

namespace bristle {

class Work;

// The picture with the marks on it. Drag draws one; arrows move the picked one, with Shift size it.
class CutView : public QWidget {
  Q_OBJECT
 public:
  explicit CutView(QWidget* parent);
  // As large as fits.
  void show(const QImage& picture);
  // What is marked on the picture, and which of them is picked; −1: none.
  void setMarks(std::vector<Mark> marks, int picked);
  // Between px of the picture and of the widget.
  QPointF toWidget(const QPointF& picture) const;
  QPointF toPicture(const QPointF& widget) const;

 Q_SIGNALS:
  // A person drew a box, in px of the picture.
  void drawn(const QRect& rect);
  void moved(const QRect& rect);  // of the picked one
  // A mark was clicked; −1: beside all of them.
  void pickedAt(int index);
  // The picked mark is to go.
  void removed();

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  double zoom() const;
  QPointF origin() const;
  QImage picture_;
  std::vector<Mark> marks_;
  int picked_ = -1;
  std::optional<QPointF> from_;
  QRect drawing_;
};

class CutPage : public Page {
  Q_OBJECT
 public:
  CutPage(Work& work, QWidget* parent);
  // Picture files of sheets; false, with a word to the person, when one cannot be read.
  bool openSheets(const QStringList& paths);

 private:
  void add(const QRect& rect);
  void refresh();
  void make();
  Work& work_;
  Sheets sheets_;
  QString name_;
  std::vector<Mark> marks_;
  int picked_ = -1;
  CutView* view_;
  QListWidget* list_;
  QComboBox *sheet_, *height_;
  QCheckBox* snap_;
  QPushButton *make_, *remove_;
  QLabel* told_;
  bool filling_ = false;
};

}  // namespace bristle
