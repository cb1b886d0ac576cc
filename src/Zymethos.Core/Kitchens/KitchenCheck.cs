using NodaTime;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Kitchens;

/// <summary>Says what in a kitchen's description cannot be, with the field it stands in.</summary>
public static class KitchenCheck
{
    /// <summary>Everything that is wrong; empty when nothing is. Paths use the names of the open format.</summary>
    public static IReadOnlyList<Fault> Find(Kitchen kitchen)
    {
        var faults = new List<Fault>();
        var oven = kitchen.Oven;
        Check(
            !string.IsNullOrWhiteSpace(kitchen.Name) && kitchen.Name.Length <= 80,
            "name",
            "Give the kitchen a name of up to 80 characters."
        );
        Check(kitchen.People.Length is >= 1 and <= 4, "people", "One to four people bake.");
        Check(kitchen.Children.Length <= 4, "children", "Up to four children help.");
        Check(
            kitchen.Children.All(c => c.Trim().Length is >= 1 and <= 60 && kitchen.People.All(p => p.Name != c)),
            "children",
            "A child has a name of up to 60 characters, and is not one of the grown-ups."
        );
        Check(kitchen.Mixers is >= 0 and <= 3, "mixers", "A kitchen has 0 to 3 mixers.");
        Check(
            kitchen.MixerWash >= Duration.Zero && kitchen.MixerWash <= Duration.FromMinutes(60),
            "mixerWashMinutes",
            "Washing the bowl takes 0 to 60 minutes."
        );
        Check(kitchen.StretchMinutes is >= 30 and <= 480, "stretchMinutes", "A stretch of work is 30 minutes to 8 hours.");
        Check(kitchen.PauseMinutes is >= 0 and <= 60, "pauseMinutes", "A pause is 1 to 60 minutes, or 0 for none.");
        Check(kitchen.Room.Celsius is >= 5 and <= 40, "roomC", "The room is between 5 and 40 °C.");
        CheckOven(oven, "oven");
        if (kitchen.SecondOven is { } second)
            CheckOven(second, "secondOven");
        Check(kitchen.RackShelves is null or (>= 0 and <= 20), "rackShelves", "The racks have room for 0 to 20 shelves' worth.");
        Check(kitchen.FridgeLitres is null or (>= 0 and <= 1000), "fridgeLitres", "The refrigerator has 0 to 1000 litres free.");
        Check(kitchen.FreezerLitres is null or (>= 0 and <= 1000), "freezerLitres", "The freezer has 0 to 1000 litres free.");
        Check(
            DateTimeZoneProviders.Tzdb.GetZoneOrNull(kitchen.Zone) is not null,
            "zone",
            "This is not a time zone of the IANA list, like Europe/Lisbon."
        );
        for (var i = 0; i < kitchen.RoomByHour.Length; i++)
        {
            Check(kitchen.RoomByHour[i].Warm.Celsius is >= 5 and <= 40, $"roomByHour[{i}].roomC", "The room is between 5 and 40 °C.");
            Check(
                i == 0 || kitchen.RoomByHour[i].From > kitchen.RoomByHour[i - 1].From,
                $"roomByHour[{i}].from",
                "The hours of the room's temperature go up."
            );
        }

        Check(kitchen.Learned.Length <= Kitchen.MostLearned, "learned", $"A kitchen keeps up to {Kitchen.MostLearned} learned values.");
        for (var i = 0; i < kitchen.Learned.Length; i++)
        {
            var learned = kitchen.Learned[i];
            Check(
                learned.Factor is >= LearnedTime.Least and <= LearnedTime.Most
                    && learned.Low > 0
                    && learned.Low <= learned.Factor
                    && learned.High >= learned.Factor
                    && double.IsFinite(learned.High)
                    && learned.Count >= 1
                    && learned.Scatter is >= 0 and <= 2
                    && learned.Of.Length is >= 1 and <= 80,
                $"learned[{i}]",
                "A learned value is a factor of a quarter to four times within its band, seen at least once."
            );
        }

        Check(kitchen.MixerLitres is >= 1 and <= 40, "mixerLitres", "A mixer's bowl holds 1 to 40 litres.");
        Check(
            kitchen.OtherMixers.Length <= Kitchen.MostOtherMixers,
            "otherMixers",
            $"A kitchen has up to {Kitchen.MostOtherMixers} other mixers."
        );
        for (var i = 0; i < kitchen.OtherMixers.Length; i++)
        {
            var mixer = kitchen.OtherMixers[i];
            Check(
                !string.IsNullOrWhiteSpace(mixer.Name) && mixer.Name.Length <= 40,
                $"otherMixers[{i}].name",
                "Give each mixer a name of up to 40 characters."
            );
            Check(mixer.Litres is >= 1 and <= 40, $"otherMixers[{i}].litres", "A mixer's bowl holds 1 to 40 litres.");
            Check(
                !kitchen.OtherMixers.Take(i).Any(m => string.Equals(m.Name, mixer.Name, StringComparison.OrdinalIgnoreCase))
                    && !IsTaken(mixer.Name),
                $"otherMixers[{i}].name",
                "Each mixer has a name of its own."
            );
        }

        Check(
            kitchen.ElevationMetres is >= -450 and <= 5500,
            "elevationMetres",
            "Kitchens lie between 450 m below and 5500 m above the sea."
        );
        Check(
            Kitchen.Certainties.Any(c => Math.Abs(c - kitchen.Certainty) < 1e-9),
            "certaintyPercent",
            "A day can be asked to go well on 80, 90, 95 or 99 of 100 days."
        );
        for (var i = 0; i < kitchen.Pans.Length; i++)
        {
            var stock = kitchen.Pans[i];
            Check(stock.Count is >= 1 and <= 24, $"pans[{i}].count", "There are 1 to 24 of a pan.");
            Check(
                !string.IsNullOrWhiteSpace(stock.Pan.Name) && stock.Pan.Name.Length <= 60,
                $"pans[{i}].pan.name",
                "Give the pan a name of up to 60 characters."
            );
        }

        for (var i = 0; i < kitchen.People.Length; i++)
        {
            var person = kitchen.People[i];
            Check(
                !string.IsNullOrWhiteSpace(person.Name) && person.Name.Length <= 40,
                $"people[{i}].name",
                "Give each person a name of up to 40 characters."
            );
            Check(
                person.From is null || person.Until is null || person.From < person.Until,
                $"people[{i}].until",
                $"{person.Name} must be free from an earlier hour until a later one."
            );
        }

        return faults;

        void CheckOven(Oven oven, string at)
        {
            Check(
                oven.HeatUp >= Duration.FromMinutes(3) && oven.HeatUp <= Duration.FromMinutes(60),
                $"{at}.heatUpMinutes",
                "Heating from cold to 180 °C takes 3 to 60 minutes."
            );
            Check(
                oven.CoolAjar >= Duration.FromMinutes(5) && oven.CoolAjar <= Duration.FromMinutes(180),
                $"{at}.coolAjarMinutes",
                "The time constant with the door ajar is 5 to 180 minutes."
            );
            Check(
                oven.CoolShut >= oven.CoolAjar && oven.CoolShut <= Duration.FromMinutes(360),
                $"{at}.coolShutMinutes",
                "With the door shut the oven cools no faster than ajar; at most 360 minutes."
            );
            Check(oven.Hottest.Celsius is >= 150 and <= 350, $"{at}.hottestC", "The hottest mark of an oven is between 150 and 350 °C.");
            Check(oven.DoorDrop is >= 0 and <= 80, $"{at}.doorDropC", "Opening the door costs 0 to 80 degrees.");
            Check(
                oven.ColdLoad >= Duration.Zero && oven.ColdLoad <= Duration.FromMinutes(20),
                $"{at}.coldLoadMinutes",
                "An oven full of cold dough keeps back what bakes by 0 to 20 minutes."
            );
            Check(oven.Shelves is >= 1 and <= 6, $"{at}.shelves", "An oven has 1 to 6 shelves.");
            Check(oven.ShelfWidth.Millimetres is >= 200 and <= 900, $"{at}.shelfWidthCm", "A shelf is 20 to 90 cm wide.");
            Check(oven.ShelfDepth.Millimetres is >= 200 and <= 900, $"{at}.shelfDepthCm", "A shelf is 20 to 90 cm deep.");
        }

        // Names by which a plan knows other things that are shared.
        static bool IsTaken(string name) =>
            name.Trim().ToLowerInvariant() is "mixer" or "mixers" or "refrigerator" or "freezer" or "cooling racks";

        void Check(bool holds, string path, string message)
        {
            if (!holds)
                faults.Add(new Fault(path, message));
        }
    }
}
