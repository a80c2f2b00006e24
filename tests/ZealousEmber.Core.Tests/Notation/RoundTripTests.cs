using CsCheck;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Tests.Notation;

public class RoundTripTests
{
    [Fact]
    public void The_line_of_the_papers_comes_back_to_the_letter() =>
        NotationWriter.Write(NotationReader.Read(Make.GlazeLine, TemperatureUnit.Celsius).Segments, TemperatureUnit.Celsius).ShouldBe(Make.GlazeLine);

    [Fact]
    public void Any_schedule_written_out_reads_back_the_same() =>
        Make.AnySchedule.Sample(schedule =>
        {
            var line = NotationWriter.Write(schedule.Segments, schedule.Unit);
            var back = NotationReader.Read(line, schedule.Unit);
            back.Error.ShouldBeNull(line);
            back.Segments.ShouldBe(schedule.Segments, line);
        });

    [Fact]
    public void Steps_given_by_time_stay_times() =>
        Gen.Select(Gen.Int[1, 5000], Gen.Int[100, 1400], Make.Unit)
            .Sample(
                (minutes, target, unit) =>
                {
                    var line = $"{minutes} min to {target}";
                    var read = NotationReader.Read(line, unit);
                    if (read.Error is not null)
                        return; // faster than 2000 an hour
                    var written = NotationWriter.Write(read.Segments, unit);
                    NotationReader.Read(written, unit).Segments.ShouldBe(read.Segments, written);
                    written.Length.ShouldBeLessThan(24, written);
                }
            );

    [Fact]
    public void Nothing_that_can_be_typed_throws() =>
        Gen.Select(
                Gen.OneOf(
                    Gen.String,
                    Make.OneOf(
                            "80",
                            "/h",
                            "to",
                            "200",
                            "hold",
                            "45m",
                            ";",
                            "1:30",
                            "off",
                            "full",
                            "cool",
                            "F",
                            "°",
                            "-",
                            "\t",
                            "\n",
                            ",",
                            "in",
                            "\"",
                            "no",
                            "at",
                            "1e9",
                            "99999999999999999999999999999"
                        )
                        .Array[0, 14]
                        .Select(words => string.Join(' ', words))
                ),
                Make.Unit
            )
            .Sample(
                (text, unit) =>
                {
                    var result = NotationReader.Read(text, unit);
                    if (result.Error is { } error)
                    {
                        error.Position.ShouldBeInRange(0, text.Length);
                        error.Message.ShouldNotBeNullOrWhiteSpace();
                    }
                    else
                    {
                        result.Segments.ShouldNotBeEmpty();
                    }
                }
            );
}
