// The files that a delivery comes to, and a look into the one in hand.
#pragma once
#include <QLabel>
#include <QPlainTextEdit>
#include <QStackedWidget>
#include <QTreeWidget>

namespace bristle {

struct MadeDelivery;

class MadeFiles : public QWidget {
  Q_OBJECT
 public:
  explicit MadeFiles(QWidget* parent = nullptr);
  QTreeWidget* list() { return list_; }
  void show(const MadeDelivery& made);
  void pick(const QString& path);

 protected:
  void resizeEvent(QResizeEvent* event) override;

 private:
  void look();
  void showPicture();
  const MadeDelivery* made_ = nullptr;
  QTreeWidget* list_;
  QStackedWidget* pages_;
  QLabel* picture_;
  QPlainTextEdit* text_;
  QPixmap whole_;
};

// “1.2 MB”.
QString sizeInWords(qint64 bytes);

}  // namespace bristle
