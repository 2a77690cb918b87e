// What all cards keep to, and choices on that of the Shape bench.
#include <QAbstractItemView>
#include <QComboBox>
#include <QLabel>
#include <QScrollArea>
#include <QScrollBar>

#include "desktop/frame_fixture.h"
#include "desktop/shape/swatches.h"

namespace bristle::test {
namespace {

// What is wider than the card is cut at the right, and nothing says so.
TEST_F(Frame, NoCardIsWiderThanItsPlaceOrScrollsIntoNothing) {
  ASSERT_TRUE(window->files().open(toQt(sourcePath("data/demo/saltglass-deep.bristle"))));
  for (const BenchInfo& bench : benches()) {
    window->openBench(QString::fromLatin1(bench.id));
    for (const bool picked : {false, true}) {
      const auto& items = work().screen()->items;
      work().pickItems(picked ? std::vector{items.back()->id} : std::vector<ItemId>{});
      settle();
      for (auto* area : window->findChildren<QScrollArea*>()) {
        if (!area->isVisible() || !area->widget()) continue;
        const QWidget& card = *area->widget();
        EXPECT_LE(card.width(), area->viewport()->width()) << bench.id << ", picked " << picked;
        int lowest = 0;
        for (const QWidget* field : card.findChildren<QWidget*>())
          if (field->isVisible() &&
              (field->focusPolicy() != Qt::NoFocus || qobject_cast<const QLabel*>(field)))
            lowest = std::max(lowest, field->mapTo(&card, field->rect().bottomLeft()).y());
        EXPECT_LE(card.height(), std::max(area->viewport()->height(), lowest + 60))
            << bench.id << ", picked " << picked;
      }
    }
  }
}

TEST_F(Frame, AListOfChoicesOpensWhole) {
  ASSERT_TRUE(window->files().open(toQt(sourcePath("data/demo/saltglass-deep.bristle"))));
  window->openBench(QStringLiteral("place"));
  for (const auto& [item, name] :
       {std::pair{"entries", "Arranged as"}, {"entries", "Pinned to, x"}, {"helm", "Action"}}) {
    work().pickItems({{item}});
    auto* box = named<QComboBox>(QString::fromUtf8(name));
    ASSERT_TRUE(box);
    bringIntoSight(box);
    box->showPopup();
    QCoreApplication::processEvents();
    QAbstractItemView* list = box->view();
    EXPECT_EQ(list->verticalScrollBar()->maximum(), 0) << name << " is cut off";
    // Some of the widths are the style's: what counts is that no entry's words are cut.
    for (int i = 0; i < box->count(); ++i)
      EXPECT_GE(list->viewport()->width(),
                list->fontMetrics().horizontalAdvance(box->itemText(i)) + 20)
          << name << ": " << fromQt(box->itemText(i));
    box->hidePopup();
  }
}

TEST_F(Frame, ANumberThatIsClickedIsTypedOver) {
  ASSERT_TRUE(window->files().open(toQt(sourcePath("data/demo/saltglass-deep.bristle"))));
  window->openBench(QStringLiteral("place"));
  work().pickItems({{"entries"}});
  auto* field = named<QLineEdit>(QStringLiteral("Gap"));
  ASSERT_TRUE(field);
  bringIntoSight(field);
  const QString before = field->text();
  QTest::mouseClick(field, Qt::LeftButton);
  EXPECT_EQ(field->selectedText(), before);
  // A second click sets the caret, to mend one digit.
  QTest::mouseClick(field, Qt::LeftButton, {}, {field->width() - 4, field->height() / 2});
  EXPECT_FALSE(field->hasSelectedText());
  EXPECT_EQ(field->cursorPosition(), before.size());
}

TEST_F(Frame, PartsAreAddedRenamedAndRemovedOnTheCard) {
  const size_t before = project().kinds[0]->parts.size();
  choose(QStringLiteral("New part"), 2);
  click(QStringLiteral("Add part"));
  ASSERT_EQ(project().kinds[0]->parts.size(), before + 1);
  const PartId added = project().kinds[0]->parts.back().id;
  EXPECT_EQ(project().kinds[0]->parts.back().type, PartType::Marker);
  work().pickColumns({Column{}}, {added, Prop::Colour});
  fill(QStringLiteral("Picked part"), QStringLiteral("Caret"));
  EXPECT_EQ(project().kinds[0]->parts.back().name, "Caret");
  click(QStringLiteral("Remove this part"));
  EXPECT_EQ(project().kinds[0]->parts.size(), before);
}

TEST_F(Frame, ColoursOfTheProjectAreTakenByMouseAndKeys) {
  work().pickColumns({StateId{"pressed"}}, propKey(0, Prop::Fill));
  auto* swatches = window->findChild<Swatches*>();
  const auto colours = coloursOf(project(), 24);
  ASSERT_GT(colours.size(), 2U);
  QTest::mouseClick(swatches, Qt::LeftButton, {}, QPoint(8, 8));
  const auto stop = [&] {
    return std::get<Fill>(valueIn(*project().kinds[0], {"pressed"}, propKey(0, Prop::Fill)))
        .stops[0];
  };
  EXPECT_EQ(stop().colour, colours[0]) << "into the picked stop";
  swatches->setFocus();
  QTest::keyClick(swatches, Qt::Key_Right);
  const auto now = coloursOf(project(), 24);
  QTest::keyClick(swatches, Qt::Key_Return);
  EXPECT_EQ(stop().colour, now[1]);
}

TEST_F(Frame, WhichLookIsStrongerIsChosenOnTheCard) {
  // Rewiring would lose what a person has added to a machine, so it is offered for plain ones only.
  for (auto* box : window->findChildren<QComboBox*>())
    EXPECT_FALSE(box->accessibleName() == QStringLiteral("Stronger look") && box->isVisible());
  work().replace(columnMenu({"One"}), {}, false);
  choose(QStringLiteral("Stronger look"), 1);
  const Machine& machine = *project().machines[0];
  const bool focusFirst =
      std::any_of(machine.transitions.begin(), machine.transitions.end(), [](const Transition& t) {
        return t.from && t.from->text == "hover" && t.on == Event::FocusGain;
      });
  EXPECT_TRUE(focusFirst);
}

}  // namespace
}  // namespace bristle::test
