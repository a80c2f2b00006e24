using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Notation;

/// <summary>Gives phrases their meaning: times become rates, holds join their step, and what cannot be is pointed at.</summary>
internal sealed class PhraseReader(string text, TemperatureUnit unit, Temperature start)
{
    /// <summary>A step while more may still be said about it, with the places its values came from.</summary>
    private sealed class Draft
    {
        public required PaceKind Pace;
        public required Place Place;
        public Temperature? Target;
        public Rate? Rate;
        public double Hold;
        public string? Reason;
        public Atmosphere? Air;
        public readonly Dictionary<string, Place> Places = [];
    }

    private readonly List<Draft> drafts = [];
    private NotationError? error;

    private Temperature Now => drafts.Count == 0 ? start : drafts[^1].Target ?? start;

    public NotationResult Read(IEnumerable<Phrase> phrases)
    {
        foreach (var phrase in phrases)
        {
            if (phrase is Phrase.Step step)
                Add(step);
            else if (drafts.Count > 0)
                Join(drafts[^1], phrase);
            else
                Fail(PlaceOf(phrase), "This says more about a step, but no step stands before it. Start with a pace and a temperature: 80/h to 200.");
            if (error is not null)
                return new NotationResult(error);
        }
        return Build();
    }

    private void Add(Phrase.Step step)
    {
        var place = step.Target is null ? step.Place : step.Place.To(step.Target.Place);
        Temperature? target = null;
        if (step.Target is { } written)
        {
            var read = ScheduleLimits.ReadTemperature(written.Value, written.Unit ?? unit, "target");
            if (!read.IsOk)
            {
                Fail(written.Place, read.Problems[0].Message);
                return;
            }
            target = read.Value;
            if (step.Verb == Verb.Climb && target < Now)
                Fail(written.Place, $"This says climb, but {Format(target.Value)} is below {Format(Now)}, where the step starts.");
            if (step.Verb == Verb.Cool && target > Now)
                Fail(written.Place, $"This says cool, but {Format(target.Value)} is above {Format(Now)}, where the step starts.");
        }

        if (step.Pace is PaceText.InTime { Time: var time })
        {
            AddByTime(time, target!.Value, place);
            return;
        }

        var draft = new Draft
        {
            Pace = Kind(step.Pace),
            Place = place,
            Target = target,
        };
        draft.Places["rate"] = step.Pace.Place;
        if (step.Target is not null)
            draft.Places["target"] = step.Target.Place;
        if (step.Pace is PaceText.AtRate rate)
        {
            // A sign is taken and dropped: the targets say which way it goes.
            var perHour = Math.Abs(rate.Rate.Value) * rate.PerHour;
            var scale = rate.Rate.Unit ?? unit;
            draft.Rate = double.IsFinite(perHour) ? Rate.PerHour(perHour, scale) : ScheduleLimits.Fastest;
            if (!double.IsFinite(perHour))
                Fail(rate.Place, "No kiln has a rate like this.");
        }
        drafts.Add(draft);
    }

    /// <summary>"1:30 to 150". The pace follows from where the step starts; at the same temperature it is a hold.</summary>
    private void AddByTime(TimeText time, Temperature target, Place place)
    {
        if (target == Now && drafts.Count > 0)
        {
            Join(drafts[^1], new Phrase.Hold(time, null, time.Place));
            return;
        }
        if (target == Now)
            Fail(place, $"The firing starts at {Format(start)} already; a first step needs somewhere else to go.");
        else if (!(time.Minutes > 0))
            Fail(time.Place, "In no time at all no kiln gets anywhere. Say full for as fast as it can.");
        else
        {
            var draft = new Draft
            {
                Pace = PaceKind.Rate,
                Place = place,
                Target = target,
                Rate = RateFor(Now, target, time.Minutes),
            };
            draft.Places["rate"] = time.Place;
            drafts.Add(draft);
        }
    }

    private void Join(Draft draft, Phrase phrase)
    {
        switch (phrase)
        {
            case Phrase.Hold { At: { } at } hold
                when draft.Target is { } target && !(Temperature.TryFrom(at.Value, at.Unit ?? unit, out var said) && Math.Abs((said - target).Kelvins) <= 1e-6):
                Fail(at.Place, $"The step before ends at {Format(target)}; to hold at another temperature, climb or cool to it first.");
                break;
            case Phrase.Hold hold:
                draft.Hold += hold.Time?.Minutes ?? 0;
                draft.Places["holdMinutes"] = hold.Place;
                break;
            case Phrase.Air air:
                draft.Air = air.Atmosphere;
                break;
            case Phrase.Why why:
                draft.Reason = why.Text;
                draft.Places["reason"] = why.Place;
                break;
        }
    }

    private NotationResult Build()
    {
        var segments = new List<Segment>();
        foreach (var draft in drafts)
        {
            var segment = Segment.Create(draft.Pace, draft.Rate?.PerHourIn(unit), draft.Target?.In(unit), draft.Hold, unit, draft.Reason, draft.Air);
            if (!segment.IsOk)
            {
                var problem = segment.Problems[0];
                return NotationReader.Failed(text, draft.Places.GetValueOrDefault(problem.Field, draft.Place), problem.Message);
            }
            segments.Add(segment.Value);
        }
        if (FiringProgram.Create(segments).Problems is [var first, ..])
            return NotationReader.Failed(text, PlaceOf(first), first.Message);
        return new NotationResult(segments);
    }

    /// <summary>The step a problem between steps is about: <c>segments[3].target</c>, or the first one too many.</summary>
    private Place PlaceOf(Problem problem)
    {
        var digits = new string([.. problem.Field.SkipWhile(c => c != '[').Skip(1).TakeWhile(char.IsAsciiDigit)]);
        return drafts[
            digits.Length > 0 ? int.Parse(digits, System.Globalization.CultureInfo.InvariantCulture) : Math.Min(ScheduleLimits.Segments, drafts.Count - 1)
        ].Place;
    }

    /// <summary>One expression for reading and writing, so that a step given by time comes back as the same time.</summary>
    internal static Rate RateFor(Temperature from, Temperature to, double minutes) => Rate.PerHour((to - from).Abs().Kelvins * 60 / minutes);

    private static PaceKind Kind(PaceText pace) =>
        pace switch
        {
            PaceText.FullPower => PaceKind.Full,
            PaceText.PowerOff => PaceKind.Natural,
            _ => PaceKind.Rate,
        };

    private static Place PlaceOf(Phrase phrase) =>
        phrase switch
        {
            Phrase.Step step => step.Place,
            Phrase.Hold hold => hold.Place,
            Phrase.Air air => air.Place,
            Phrase.Why why => why.Place,
            _ => default,
        };

    private string Format(Temperature temperature) => $"{Phrases.Number(temperature.In(unit))} {unit.Symbol()}";

    private void Fail(Place place, string message) => error ??= NotationError.At(text, place, message);
}
