using System.Globalization;
using NodaTime;
using Zymethos.Core.Kitchens;

namespace Zymethos.Core.Tests.Kitchens;

/// <summary>Free hours as people say and scribble them.</summary>
public sealed class WeekTextTests
{
    private static string Say(SaidWeek week) =>
        string.Join(
            "; ",
            week.Hours.Select(h =>
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"{h.Day.ToString()[..3]} {h.From:HH:mm}-{h.Until:HH:mm}{(h.People == 1 ? "" : $" x{h.People}")}"
                )
            )
        );

    [Theory]
    [InlineData("Fri 18-22", "Fri 18:00-22:00")]
    [InlineData("friday 18:00 - 22:00", "Fri 18:00-22:00")]
    [InlineData("Fridays from 6pm to 10pm", "Fri 18:00-22:00")]
    [InlineData("fri 6-10 pm", "Fri 18:00-22:00")]
    [InlineData("Sat 9am-5pm", "Sat 09:00-17:00")]
    [InlineData("Sat 11-2 pm", "Sat 11:00-14:00")]
    [InlineData("Sat 9–17", "Sat 09:00-17:00")]
    [InlineData("Sat and Sun 9 to 17, 2 people", "Sat 09:00-17:00 x2; Sun 09:00-17:00 x2")]
    [InlineData("weekends 10-16 with 2", "Sat 10:00-16:00 x2; Sun 10:00-16:00 x2")]
    [InlineData("Mon-Thu 19-21", "Mon 19:00-21:00; Tue 19:00-21:00; Wed 19:00-21:00; Thu 19:00-21:00")]
    [InlineData("weekdays 6:30pm-9pm", "Mon 18:30-21:00; Tue 18:30-21:00; Wed 18:30-21:00; Thu 18:30-21:00; Fri 18:30-21:00")]
    [InlineData("Wed 18-22, Sat 9-17", "Wed 18:00-22:00; Sat 09:00-17:00")]
    [InlineData("Wed 18:00 until 22:00; Sat 9:30 till 12:00", "Wed 18:00-22:00; Sat 09:30-12:00")]
    [InlineData("wednesday evening", null)]
    [InlineData("Tue, Thu 19-21:30", "Tue 19:00-21:30; Thu 19:00-21:30")]
    [InlineData("Fri 20-1", "Fri 20:00-01:00")]
    [InlineData("Sat 9 to noon\nSun 14-18", "Sat 09:00-12:00; Sun 14:00-18:00")]
    [InlineData("", "")]
    public void It_is_read_as_it_is_said(string said, string? meant)
    {
        var week = WeekText.Read(said);
        if (meant is null)
            Assert.NotEqual("", week.Wrong);
        else
            Assert.Equal((meant, ""), (Say(week), week.Wrong));
    }

    [Theory]
    [InlineData("Fri 18-22, when the baby sleeps", "Fri 18-22, when the baby sleeps")]
    [InlineData("Fri 18-22, Sun whenever", "sun whenever")]
    [InlineData("Fri 25-26", "Fri 25-26")]
    [InlineData("Fri 18-18", "Fri 18-18")]
    [InlineData("Fri 18-22 with 7", "Fri 18-22 with 7")]
    [InlineData("someday 9-12", "someday 9-12")]
    public void What_cannot_be_is_told_and_nothing_is_guessed(string said, string wrong) =>
        Assert.Equal(wrong, WeekText.Read(said).Wrong, ignoreCase: true);

    [Fact]
    public void Every_day_and_hour_in_both_clocks_comes_back()
    {
        foreach (var day in Enum.GetValues<IsoDayOfWeek>().Where(d => d != IsoDayOfWeek.None))
            for (var hour = 0; hour < 23; hour++)
            {
                var (from, until) = (new LocalTime(hour, 15), new LocalTime(hour + 1, 45));
                foreach (
                    var says in new[]
                    {
                        new KitchenSays(MeasuringHabit.Metric, ClockFace.Hours24),
                        new(MeasuringHabit.Metric, ClockFace.Hours12),
                    }
                )
                {
                    var week = WeekText.Read($"{day} {says.Hour(from)} to {says.Hour(until)}");
                    Assert.Equal(new SaidHours(day, from, until, 1), Assert.Single(week.Hours));
                }
            }
    }
}
