// The small building blocks of cards: headings, rows of a name and a field, fields that send an
// edit when they are done. Every field has an accessible name.
#pragma once
#include <QCheckBox>
#include <QComboBox>
#include <QGridLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QVBoxLayout>
#include <QWidget>
#include <functional>
#include <utility>

namespace bristle {

// A column of rows, 8 px apart. Fields are refreshed with set(); only what a person does sends.
class Form : public QWidget {
  Q_OBJECT
 public:
  explicit Form(QWidget* parent = nullptr);
  // Each appends a row and hands back what is in it.
  QLabel* heading(const QString& text);
  QLabel* note(const QString& text);
  // `done` gets the text and says whether it was taken; refused text stays, marked.
  QLineEdit* text(const QString& name, std::function<bool(const QString&)> done);
  // A sum may be typed, too. With a unit ("ms", "px", "%") it stands in the field behind the
  // number, and may be typed.
  QLineEdit* number(const QString& name, double least, double most,
                    std::function<bool(double)> done, const QString& unit = {});
  QComboBox* choice(const QString& name, const QStringList& choices, std::function<void(int)> done);
  QCheckBox* check(const QString& name, std::function<void(bool)> done);
  QPushButton* button(const QString& name, std::function<void()> done);
  // Two buttons side by side; `shortName` is what stands on them where the name is long.
  struct Side {
    QString name, shortName;
    std::function<void()> done;
  };
  std::pair<QPushButton*, QPushButton*> buttons(Side left, Side right);
  // Shows or hides a field together with its name.
  void setRowVisible(QWidget* field, bool visible);
  void row(const QString& name, QWidget* field);
  void wide(QWidget* widget);
  void space();

 private:
  QGridLayout* grid_;
  int rows_ = 0;
};

// Text in a field, unless the person is typing in it just now; a number field adds its unit.
void refill(QLineEdit* field, const QString& text);
void refill(QComboBox* field, int index);
void refill(QComboBox* field, const QStringList& choices, int index);
void refill(QCheckBox* field, bool on);

}  // namespace bristle
